import type { Value } from '../../core/series/series'
import type { Inquiry } from '../inquiry'
import type { Observation, RawSeries } from '../layouts/observations'
import type { IntakeProblem } from '../reading'
import { marksOf } from './columnMarks'
import { isOneUnit } from './sameUnit'
import {
  askAboutProblems,
  cellOf,
  dashesOf,
  mixedMarks,
  multiplesOf,
  problemOf,
  unmultiplied,
  type ReadCell,
} from './valueQuestions'

/** A series with its cells read as numbers. */
export interface ValuedSeries {
  readonly name: string
  readonly unit: string
  /** What the values are, by their heading. */
  readonly measure: string
  readonly entries: readonly { readonly at: Observation; readonly value: Value }[]
}

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
  /** Whether a unit that is written in two ways is one; asked once for all series. */
  let areOne: boolean | null = null
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
    if (units.size > 1 && isOneUnit(units)) areOne ??= readAsOne(own.name, units, inquiry)
    if (units.size > 1 && !(isOneUnit(units) && areOne)) {
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
      `${[...noted].slice(0, 8).join(', ')} beside numbers ${noted.size === 1 ? 'is a mark' : 'are marks'} and not part of them.`,
    )
  }
  const filled = cells.flat().filter(({ at }) => at.cell !== '').length
  if (problems.length > 0) askAboutProblems(problems, filled, inquiry)
  return valued
}

/** Asks whether one unit is meant that is written in two ways. */
function readAsOne(name: string, units: ReadonlySet<string>, inquiry: Inquiry): boolean {
  const [first, other] = units
  return (
    inquiry.ask({
      id: 'units',
      ask: `"${name.slice(0, 60)}" is counted in ${first} and in ${other}. Is that one unit, written in two ways?`,
      options: [
        { value: 'one', consequence: `Yes: all of it is counted in ${first}.` },
        { value: 'stop', consequence: 'No: nothing is read; bring them in apart.' },
      ],
      otherwise: 'one',
    }) === 'one'
  )
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
