import type { Value } from '../../core/series/series'
import { Unreadable, type Inquiry } from '../inquiry'
import type { Observation, RawSeries } from '../layouts/observations'
import type { IntakeProblem } from '../reading'
import { decimalMark } from './decimalMark'
import { DOUBTFUL_MULTIPLE, readNumber, type DecimalMark, type NumberReading } from './numberText'

/** A series with its cells read as numbers. */
export interface ValuedSeries {
  readonly name: string
  readonly unit: string
  /** What the values are, by their heading. */
  readonly measure: string
  readonly entries: readonly { readonly at: Observation; readonly value: Value }[]
}

/** More problems than this help nobody; the rest are counted. */
const MOST_PROBLEMS = 50

/**
 * Reads the value cells of all series. The decimal mark is decided by each column, else by the file, else
 * asked for; what is no number is asked about with its cells.
 *
 * @throws Waiting for an answer
 * @throws Unreadable with the cells that are no numbers, when the analyst will not have them missing
 */
export function readValues(series: readonly RawSeries[], inquiry: Inquiry): ValuedSeries[] {
  const marks = marksOf(series, inquiry)
  const cells = series.map((own) => own.observations.map((at) => cellOf(at, marks(at.column))))
  const multiply = multiplesOf(cells.flat(), inquiry)
  const dashesAreZero = dashesOf(cells, inquiry)
  const isMixed = mixedMarks(cells.flat(), inquiry)
  const problems: IntakeProblem[] = []
  const noted = new Set<string>()
  const valued = series.map((own, i) => {
    const letters = letterMarks(cells[i]!)
    const units = new Set<string>()
    const entries = cells[i]!.map(({ at, read: first, other }) => {
      const read = isMixed && first.kind === 'unreadable' && other ? other : first
      if (read.kind === 'unreadable') problems.push(problemOf(at, read.because))
      if (read.kind === 'missing') return { at, value: dashesAreZero && read.isDash ? 0 : null }
      if (read.kind !== 'number') return { at, value: null }
      if (read.mark) noted.add(read.mark)
      const unit = multiply(read) ? read.unit : (read.multiple ?? read.unit)
      if (letters.has(unit)) noted.add(unit)
      else if (unit !== '') units.add(unit)
      return { at, value: multiply(read) ? read.value : unmultiplied(at, marks(at.column)) }
    })
    if (units.size > 1) {
      const [a, b] = units
      problems.push({
        line: null,
        column: null,
        because: `"${own.name}" is counted in ${a} and in ${b}; a series has one unit.`,
      })
    }
    const unit = own.unit || ([...units][0] ?? '')
    return { name: own.name, unit, measure: own.measure ?? own.name, entries }
  })
  if (noted.size > 0) {
    inquiry.note(
      'marks',
      `${[...noted].slice(0, 8).join(', ')} behind numbers ${noted.size === 1 ? 'is a mark' : 'are marks'} and not part of them.`,
    )
  }
  if (problems.length > 0) askAboutProblems(problems, inquiry)
  return valued
}

/** A cell with its reading; with that by the other decimal mark, where the column's own reads none. */
interface ReadCell {
  readonly at: Observation
  readonly read: NumberReading
  readonly other: NumberReading | null
}

function cellOf(at: Observation, mark: DecimalMark): ReadCell {
  const read = readNumber(at.cell, mark)
  const other =
    read.kind === 'unreadable' ? readNumber(at.cell, mark === 'point' ? 'comma' : 'point') : null
  return { at, read, other: other?.kind === 'number' ? other : null }
}

/** Letters that statistics mark single figures by: provisional, revised, estimated, forecast, break. */
const MARK_LETTER = /^[prefbs]$/i

/** Those of them that stand behind fewer than half of a series' figures; more are a unit. */
function letterMarks(cells: readonly ReadCell[]): Set<string> {
  const counts = new Map<string, number>()
  const numbers = cells.filter(({ read }) => read.kind === 'number')
  for (const { read } of numbers) {
    if (read.kind !== 'number' || !MARK_LETTER.test(read.unit)) continue
    counts.set(read.unit, (counts.get(read.unit) ?? 0) + 1)
  }
  return new Set([...counts].flatMap(([letter, n]) => (n < numbers.length / 2 ? [letter] : [])))
}

/** Whether a number with a word such as `k` is to be multiplied by it. */
function multiplesOf(
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
function unmultiplied({ cell }: Observation, mark: DecimalMark): Value {
  const bare = readNumber(String(cell).replace(/\p{L}+\.?$/u, ''), mark)
  return bare.kind === 'number' ? bare.value : null
}

/** Whether a dash is a zero: asked, unless zeros are written as figures too, or other cells are blank. */
function dashesOf(cells: readonly (readonly ReadCell[])[], inquiry: Inquiry): boolean {
  const all = cells.flat()
  const dash = all.find(({ read }) => read.kind === 'missing' && read.isDash)
  if (!dash) return false
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
    ...(hasOther ? { otherwise: 'missing' } : {}),
  })
  return answer === 'zero'
}

/** Whether cells that only the other decimal mark reads are read by it: the mark changes within the file. */
function mixedMarks(cells: readonly ReadCell[], inquiry: Inquiry): boolean {
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

/** The decimal mark of each column. */
function marksOf(series: readonly RawSeries[], inquiry: Inquiry): (column: number) => DecimalMark {
  const cells = new Map<number, Observation['cell'][]>()
  for (const { observations } of series) {
    for (const { column, cell } of observations) {
      const list = cells.get(column)
      if (list) list.push(cell)
      else cells.set(column, [cell])
    }
  }
  const byColumn = new Map([...cells].map(([column, own]) => [column, decimalMark(own)]))
  const evidence = [...byColumn.values()]
  const votes = new Set(evidence.flatMap(({ mark, doubtful }) => (mark && !doubtful ? [mark] : [])))
  const stated = inquiry.answers.decimal
  const doubtful = evidence.find((found) => found.mark === null)?.doubtful
  if (doubtful || stated) {
    // Where one column decides for a comma, the others are written in the same country.
    const decided = votes.has('comma') ? 'comma' : hasPoint(cells) ? 'point' : undefined
    const answer = inquiry.ask({
      id: 'decimal',
      ask: `Is the mark in "${doubtful ?? '1,234'}" that of thousands or of decimals?`,
      options: (['point', 'comma'] as const).map((mark) => ({
        value: mark,
        consequence: `${doubtful ?? '1,234'} is ${valueWords(doubtful ?? '1,234', mark)}: the decimal mark is a ${mark}.`,
      })),
      ...(decided ? { otherwise: decided } : {}),
    }) as DecimalMark
    return (column) => (stated ? answer : (byColumn.get(column)?.mark ?? answer))
  }
  return (column) => byColumn.get(column)?.mark ?? 'point'
}

/** Whether any cell can only have a decimal point: then the file is written with points. */
function hasPoint(cells: ReadonlyMap<number, readonly Observation['cell'][]>): boolean {
  for (const own of cells.values()) {
    for (const cell of own) {
      if (typeof cell === 'number' || !cell.includes('.')) continue
      if (
        readNumber(cell, 'point').kind === 'number' &&
        readNumber(cell, 'comma').kind !== 'number'
      )
        return true
    }
  }
  return false
}

function valueWords(text: string, mark: DecimalMark): string {
  const read = readNumber(text, mark)
  return read.kind === 'number'
    ? read.value.toLocaleString('en', { maximumFractionDigits: 10 })
    : 'no number'
}

function problemOf({ cell, line, column }: Observation, because: string): IntakeProblem {
  return { line, column: column + 1, because: `"${String(cell).slice(0, 60)}" ${because}.` }
}

function askAboutProblems(problems: readonly IntakeProblem[], inquiry: Inquiry): void {
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
  const answer = inquiry.ask({
    id: 'unread-values',
    ask: `${sorted.length === 1 ? 'One' : ''} ${cells} no number, ${sorted.length === 1 ? '' : 'the first '}on line ${first.line}, column ${first.column}: ${first.because} What about ${sorted.length === 1 ? 'it' : 'them'}?`
      .trim()
      .replace(/ +/g, ' '),
    options: [
      {
        value: 'missing',
        consequence: `${sorted.length === 1 ? 'The period has' : 'These periods have'} no value.`,
      },
      { value: 'stop', consequence: 'Nothing is read; mend the file first.' },
    ],
    lines: [...new Set(sorted.map(({ line }) => line!))].slice(0, 1000),
  })
  if (answer === 'stop') throw new Unreadable(shown)
  inquiry.note(
    'unread-values',
    `${sorted.length} ${sorted.length === 1 ? 'cell' : 'cells'} without a number became missing.`,
    `line ${first.line}, column ${first.column}`,
  )
}
