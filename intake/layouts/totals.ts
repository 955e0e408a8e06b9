import { textAt, type Row } from '../grid'
import type { Inquiry } from '../inquiry'
import type { DecimalMark } from '../numbers/numberText'
import type { PeriodReading } from '../periods/periodReading'
import { statedYear } from '../periods/seasonText'
import type { ColumnRole } from '../reading'
import { monthsOf } from '../assemble/commonCalendar'
import { figureOf, isNumber, MARKS, numberIn } from './figures'
import type { RawSeries } from './observations'
import { ALL_TOGETHER, SO_FAR, TOTAL } from './words'

/** A column or row of totals is one when so many of its cells add up the others. */
const ADDS_UP = 0.9
/** Rows from which a column that adds up all others is their total, whatever it is called. */
const LONG_SUM = 6

/** Marks the value columns that add up the others: headed as a total, or behind or before them in many rows to the last digit. */
export function markTotals(
  rows: readonly Row[],
  sample: readonly number[],
  headings: readonly string[],
  roles: ColumnRole[],
  wanted: ReadonlyMap<number, ColumnRole>,
): void {
  headings.forEach((heading, total) => {
    if (roles[total] !== 'value' || wanted.has(total)) return
    const others = roles.flatMap((role, column) =>
      role === 'value' && column !== total ? [column] : [],
    )
    if (others.length > 0 && SO_FAR.test(heading)) roles[total] = 'total'
    if (others.length < 2) return
    const isHeaded = TOTAL.test(heading)
    if (!isHeaded && !mayBeTotal(total, others, headings)) return
    const filled = sample.filter((at) => others.some((column) => textAt(rows[at]!, column) !== ''))
    if (!isHeaded && filled.length < LONG_SUM) return
    const within = isHeaded ? 0.01 : 1e-9
    const adds = (mark: DecimalMark) =>
      filled.filter((at) => {
        const sum = others.reduce((all, column) => all + figureOf(rows[at]!, column, mark), 0)
        const said = figureOf(rows[at]!, total, mark)
        return sum !== 0 && Math.abs(sum - said) <= within * Math.abs(sum) + 1e-9
      }).length
    const needed = isHeaded ? ADDS_UP * filled.length : filled.length
    if (filled.length > 0 && Math.max(...MARKS.map(adds)) >= needed) roles[total] = 'total'
  })
}

/** Parts of an account: what one of them adds up, another is the difference of. */
const DIFFERENCE =
  /\b(varian\w*|differ\w*|diff|delta|abweich\w*|changes?|gains?|loss(es)?|profits?|margins?|net|gross|gewinn|marge|budget|plan(ned)?|target|forecasts?|opening|closing|balance|(cash|goods|units) (in|out))\b/i

/**
 * Whether a column that is not headed as a total can be one: it stands behind or before all it adds up. Of `Actual, Budget,
 * Variance` each is the sum or the difference of the others, and none of them is left out.
 */
function mayBeTotal(
  total: number,
  others: readonly number[],
  headings: readonly string[],
): boolean {
  if ([total, ...others].some((column) => DIFFERENCE.test(headings[column]!))) return false
  const isLast = others.every((column) => column < total)
  const isFirst = others.every((column) => column > total)
  return isLast || (isFirst && others.length > 2)
}

/**
 * Entries of the rows between the periods that add up those before them: a quarter or a year among months, a year among quarters.
 *
 * @param readings the periods, one entry a row
 * @param first entry of the first row with a period
 */
export function rowsThatAddUp(
  rows: readonly Row[],
  readings: readonly (PeriodReading | null)[],
  columns: readonly number[],
  first: number,
): Set<number> {
  if (columns.length !== 1) return new Set()
  const [column] = columns as [number]
  const kinds = new Map<string, number>()
  for (const reading of readings)
    if (reading) kinds.set(reading.kind, (kinds.get(reading.kind) ?? 0) + 1)
  const [main] = [...kinds].sort((a, b) => b[1] - a[1])[0] ?? ['']
  if (main !== 'month' && main !== 'quarter') return new Set()
  const coarse = rows.flatMap((row, at) => {
    const reading = readings[at]
    if (reading?.kind === main) return []
    const year = statedYear(textAt(row, column))?.year ?? null
    const span = reading ? SPANS[reading.kind] : year !== null ? 12 : undefined
    const from = reading ? monthsOfReading(reading) : year === null ? null : year * 12
    const hasSum = row.cells.some((cell, i) => i !== column && cell !== '')
    return span !== undefined && from !== null && hasSum ? [{ at, from, to: from + span }] : []
  })
  if (coarse.length === 0) return new Set()
  const values = rows[first]!.cells.flatMap((_, at) =>
    at !== column && isNumber(rows[first]!, at) && textAt(rows[first]!, at) !== '' ? [at] : [],
  )
  const addsUp = ({ at, from, to }: (typeof coarse)[number], mark: DecimalMark) =>
    values.length > 0 &&
    values.every((value) => {
      const sum = readings.reduce(
        (all, reading, i) =>
          reading?.kind === main && monthsOf(reading) >= from && monthsOf(reading) < to
            ? all + figureOf(rows[i]!, value, mark)
            : all,
        0,
      )
      return Math.abs(sum - figureOf(rows[at]!, value, mark)) <= 0.01 * Math.abs(sum) + 1e-9
    })
  const isSum = MARKS.some(
    (mark) => coarse.filter((row) => addsUp(row, mark)).length >= ADDS_UP * coarse.length,
  )
  return isSum ? new Set(coarse.map(({ at }) => at)) : new Set()
}

const SPANS: Partial<Record<PeriodReading['kind'], number>> = {
  quarter: 3,
  'half-year': 6,
  year: 12,
}

function monthsOfReading(reading: PeriodReading): number | null {
  return SPANS[reading.kind] === undefined ? null : monthsOf(reading)
}

/**
 * The series without one that is called by a word for all and adds up the others; it is said.
 *
 * @example withoutTotals([A, B, All shops], …) // [A, B]
 */
export function withoutTotals(series: readonly RawSeries[], inquiry: Inquiry): RawSeries[] {
  const totals = series.filter(({ name }) => ALL_TOGETHER.test(name))
  const others = series.filter((own) => !totals.includes(own))
  const isSum = MARKS.some((mark) => totals.every((total) => addsUpOthers(total, others, mark)))
  if (totals.length === 0 || others.length < 2 || !isSum) return [...series]
  inquiry.note(
    'total-series',
    `${totals.map(({ name }) => `"${name.slice(0, 60)}"`).join(', ')}: the sum of the other series, not read as one.`,
  )
  return others
}

function addsUpOthers(total: RawSeries, others: readonly RawSeries[], mark: DecimalMark): boolean {
  const sums = new Map<string, number>()
  for (const { observations } of others) {
    for (const { period, cell } of observations) {
      const key = JSON.stringify(period)
      sums.set(key, (sums.get(key) ?? 0) + numberIn(cell, mark))
    }
  }
  const right = total.observations.filter(({ period, cell }) => {
    const sum = sums.get(JSON.stringify(period)) ?? 0
    return Math.abs(sum - numberIn(cell, mark)) <= 0.01 * Math.abs(sum) + 1e-9
  })
  return right.length >= ADDS_UP * total.observations.length
}
