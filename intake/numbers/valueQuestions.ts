import type { Value } from '../../core/series/series'
import { Unreadable, type Inquiry } from '../inquiry'
import type { Observation } from '../layouts/observations'
import type { IntakeProblem } from '../reading'
import { DOUBTFUL_MULTIPLE, readNumber, type DecimalMark, type NumberReading } from './numberText'

/** More problems than this help nobody; the rest are counted. */
const MOST_PROBLEMS = 50

/** A cell with its reading; with that by the other decimal mark, where the column's own reads none. */
export interface ReadCell {
  readonly at: Observation
  readonly read: NumberReading
  readonly other: NumberReading | null
}

export function cellOf(at: Observation, mark: DecimalMark): ReadCell {
  const read = readNumber(at.cell, mark)
  const other =
    read.kind === 'unreadable' ? readNumber(at.cell, mark === 'point' ? 'comma' : 'point') : null
  return { at, read, other: other?.kind === 'number' ? other : null }
}

/** Whether a number with a word such as `k` is to be multiplied by it. */
export function multiplesOf(
  cells: readonly ReadCell[],
  inquiry: Inquiry,
): (read: NumberReading & { kind: 'number' }) => boolean {
  const multiplied = cells.flatMap(({ at, read }) =>
    read.kind === 'number' && read.multiple ? [{ at, ...read, multiple: read.multiple }] : [],
  )
  const [first] = multiplied
  if (!first) return () => true
  const words = [...new Set(multiplied.map(({ multiple }) => multiple))]
  const isClear = words.some((word) => !DOUBTFUL_MULTIPLE.test(word))
  const answer = inquiry.ask({
    id: 'multiples',
    ask: `What is ${words.map((word) => `"${word}"`).join(', ')} behind numbers, as in "${String(first.at.cell)}"?`,
    options: [
      {
        value: 'multiply',
        consequence: `A multiple: ${String(first.at.cell)} is ${first.value.toLocaleString('en')}.`,
      },
      { value: 'unit', consequence: 'What the values are counted in.' },
    ],
    ...(isClear ? { otherwise: 'multiply' } : {}),
  })
  if (answer === 'multiply') {
    inquiry.note(
      'multiples',
      `${multiplied.length} numbers were multiplied: ${String(first.at.cell)} is ${first.value.toLocaleString('en')}.`,
      `line ${first.at.line}`,
    )
  }
  return () => answer === 'multiply'
}

/** The number before a word that does not multiply it. */
export function unmultiplied({ cell }: Observation, mark: DecimalMark): Value {
  const bare = readNumber(String(cell).replace(/\p{L}+\.?$/u, ''), mark)
  return bare.kind === 'number' ? bare.value : null
}

/** Dashes are few when they are no more than this share of the values. */
const FEW = 0.05
/** The least of the others is far from zero when it is more than this share of the middle one. */
const FAR_FROM_ZERO = 0.1

/** Whether a dash is a zero: asked, unless zeros are written as figures too, other cells are blank, or a few dashes stand among values that are never small. */
export function dashesOf(cells: readonly (readonly ReadCell[])[], inquiry: Inquiry): boolean {
  const all = cells.flat()
  const dash = all.find(({ read }) => read.kind === 'missing' && read.isDash)
  if (!dash) return false
  const dashes = all.filter(({ read }) => read.kind === 'missing' && read.isDash).length
  const figures = all
    .flatMap(({ read }) => (read.kind === 'number' ? [Math.abs(read.value)] : []))
    .sort((a, b) => a - b)
  const middle = figures[Math.floor(figures.length / 2)] ?? 0
  // Where hundreds are sold in every other month, nothing was not sold in one.
  const isFew = dashes <= FEW * all.length && (figures[0] ?? 0) > FAR_FROM_ZERO * middle
  const hasZero = all.some(({ read }) => read.kind === 'number' && read.value === 0)
  const hasOther = all.some(({ read }) => read.kind === 'missing' && !read.isDash)
  if (hasZero && inquiry.answers.dash === undefined) return false
  const answer = inquiry.ask({
    id: 'dash',
    ask: `What is a dash among the values, as on line ${dash.at.line}?`,
    options: [
      { value: 'missing', consequence: 'A value that is not known: it stays missing.' },
      { value: 'zero', consequence: 'Nothing was sold: it is 0.' },
    ],
    ...(hasOther || isFew ? { otherwise: 'missing' } : {}),
  })
  return answer === 'zero'
}

/** A mark that may part thousands or decimals. */
const IN_DOUBT = /^[^\d]*\d{1,3}[.,]\d{3}[^\d]*$/

/** Whether cells that only the other decimal mark reads are read by it: the mark changes within the file. */
export function mixedMarks(cells: readonly ReadCell[], inquiry: Inquiry): boolean {
  const others = cells.filter(({ read, other }) => read.kind === 'unreadable' && other)
  const [first] = others
  if (!first) return false
  const own = cells.find(({ at, read }) => read.kind === 'number' && /[.,]\d/.test(String(at.cell)))
  const answer = inquiry.ask({
    id: 'mixed-marks',
    ask: `The decimal mark changes: "${String(first.at.cell)}" on line ${first.at.line}${own ? `, "${String(own.at.cell)}" on line ${own.at.line}` : ''}. How are they read?`,
    options: [
      {
        value: 'each',
        consequence: `Each by the mark that fits it: ${String(first.at.cell)} is ${first.other?.kind === 'number' ? first.other.value : ''}.`,
      },
      { value: 'missing', consequence: `The ${others.length} of the rarer mark become missing.` },
      { value: 'stop', consequence: 'Nothing is read; mend the file first.' },
    ],
    lines: others.map(({ at }) => at.line).slice(0, 1000),
    // As long as no number could be read by either mark, each tells its own.
    ...(cells.some(({ at }) => IN_DOUBT.test(String(at.cell))) ? {} : { otherwise: 'each' }),
  })
  if (answer === 'stop') {
    throw new Unreadable(
      others.slice(0, MOST_PROBLEMS).map(({ at }) => problemOf(at, 'has another decimal mark')),
    )
  }
  if (answer === 'each') {
    inquiry.note(
      'mixed-marks',
      `${others.length} numbers were read with the other decimal mark.`,
      `line ${first.at.line}`,
    )
  }
  return answer === 'each'
}

/** What programs write where they divided by zero: no value, and nothing to mend. */
const DIVIDED_BY_ZERO = /^"[-+]?(inf(inity)?|∞|#div\/0!)"/i

export function problemOf({ cell, line, column }: Observation, because: string): IntakeProblem {
  return { line, column: column + 1, because: `"${String(cell).slice(0, 60)}" ${because}.` }
}

/**
 * Asks what becomes of cells that are no numbers; that most of a file becomes missing is not proposed first.
 *
 * @param filled cells of values that hold something
 */
export function askAboutProblems(
  problems: readonly IntakeProblem[],
  filled: number,
  inquiry: Inquiry,
): void {
  const sorted = [...problems].sort(
    (a, b) => (a.line ?? 0) - (b.line ?? 0) || (a.column ?? 0) - (b.column ?? 0),
  )
  const shown = sorted.slice(0, MOST_PROBLEMS)
  if (sorted.length > MOST_PROBLEMS) {
    shown.push({
      line: null,
      column: null,
      because: `… and ${sorted.length - MOST_PROBLEMS} more like these.`,
    })
  }
  const first = sorted[0]!
  // A unit that changes, or a number too large, cannot be passed over.
  if (sorted.some(({ line }) => line === null)) throw new Unreadable(shown)
  const cells = sorted.length === 1 ? 'cell is' : `${sorted.length} cells are`
  const isMost = sorted.length > filled / 2
  const missing = {
    value: 'missing',
    consequence: isMost
      ? `${sorted.length} of ${filled} values are not read.`
      : `${sorted.length === 1 ? 'The period has' : 'These periods have'} no value.`,
  }
  const stop = { value: 'stop', consequence: 'Nothing is read; mend the file first.' }
  const answer = inquiry.ask({
    id: 'unread-values',
    ask: `${sorted.length === 1 ? 'One' : ''} ${cells} no number, ${sorted.length === 1 ? '' : 'the first '}on line ${first.line}, column ${first.column}: ${first.because} What about ${sorted.length === 1 ? 'it' : 'them'}?`
      .trim()
      .replace(/ +/g, ' '),
    options: isMost ? [stop, missing] : [missing, stop],
    ...(sorted.every(({ because }) => DIVIDED_BY_ZERO.test(because)) && !isMost
      ? { otherwise: 'missing' }
      : {}),
    lines: [...new Set(sorted.map(({ line }) => line!))].slice(0, 1000),
  })
  if (answer === 'stop') throw new Unreadable(shown)
  inquiry.note(
    'unread-values',
    `${sorted.length} ${sorted.length === 1 ? 'cell' : 'cells'} without a number became missing.`,
    `line ${first.line}, column ${first.column}`,
  )
}
