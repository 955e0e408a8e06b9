import type { Value } from '../../core/series/series'
import { Unreadable, type Inquiry } from '../inquiry'
import type { Observation, RawSeries } from '../layouts/observations'
import type { IntakeProblem } from '../reading'
import { decimalMark } from './decimalMark'
import { readNumber, type DecimalMark } from './numberText'

/** A series with its cells read as numbers. */
export interface ValuedSeries {
  readonly name: string
  readonly unit: string
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
  const problems: IntakeProblem[] = []
  const valued = series.map((own) => {
    const units = new Set<string>()
    const entries = own.observations.map((at) => {
      const read = readNumber(at.cell, marks(at.column))
      if (read.kind === 'unreadable') problems.push(problemOf(at, read.because))
      if (read.kind !== 'number') return { at, value: null }
      if (read.unit !== '') units.add(read.unit)
      return { at, value: read.value }
    })
    if (units.size > 1) {
      const [a, b] = units
      problems.push({
        line: null,
        column: null,
        because: `"${own.name}" is counted in ${a} and in ${b}; a series has one unit.`,
      })
    }
    return { name: own.name, unit: own.unit || ([...units][0] ?? ''), entries }
  })
  if (problems.length > 0) askAboutProblems(problems, inquiry)
  return valued
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
