import { FREQUENCIES, type Frequency } from '../core/calendar/calendar'
import { axisOf } from '../core/calendar/axis'
import { formatPeriod } from '../core/calendar/codes'
import type { Period } from '../core/calendar/period'
import { adjustedValues } from '../core/series/adjusted'
import { Refusal } from '../core/refusal'
import type { FigureTable } from '../core/ledger/table'
import { figure } from '../core/words/figure'
import type { Series, Value } from '../core/series/series'
import { headingOf } from './heading'

/** Series that are counted alike, side by side. */
export interface SeriesTable extends FigureTable {
  /** What they are counted by, and a name for a sheet or file: `monthly`. */
  readonly name: string
}

/**
 * Series as tables for a spreadsheet: periods downwards, a column a series, one table for each way of
 * counting. Values are as the calculation uses them; a series with adjustments has a second column with
 * what came in.
 *
 * @param series with their adjustments
 * @throws Refusal for series that lie so far apart, or are so many, that no file can hold their table
 */
export function seriesTables(series: readonly Series[]): SeriesTable[] {
  const kinds = new Map<string, Series[]>()
  for (const own of series) {
    const name = kindOf(own)
    kinds.set(name, [...(kinds.get(name) ?? []), own])
  }
  return [...kinds]
    .sort(([, [a]], [, [b]]) => rank(a!.calendar.frequency) - rank(b!.calendar.frequency))
    .map(([name, own]) => ({ name, ...sideBySide(own) }))
}

/** Every adjustment of the series, one a row. */
export function adjustmentTable(series: readonly Series[]): FigureTable {
  return {
    header: ['series', 'period', 'came in', 'used', 'reason'],
    rows: series.flatMap((own) => {
      const { values, adjustments = [] } = own
      const { tOfCode } = axisOf(own)
      return adjustments.map(({ period, value, reason }) => {
        const t = tOfCode(period) ?? 0
        return [own.name, period, values[t - 1] ?? null, value, reason]
      })
    }),
  }
}

function kindOf({ calendar: { frequency, seasons } }: Series): string {
  return frequency === 'seasons' ? `${seasons} seasons` : frequency
}

function rank(frequency: Frequency): number {
  return FREQUENCIES.indexOf(frequency)
}

/** A table of more cells than this no spreadsheet opens. */
const MOST_CELLS = 5_000_000

/** @throws Refusal for a table that would be too large, before it is made */
function sideBySide(series: readonly Series[]): FigureTable {
  const { calendar } = series[0]!
  const columns = series.flatMap(
    (own): { heading: string; start: Period; values: readonly Value[] }[] => {
      const { name, unit } = own
      const used = { heading: headingOf(name, unit), start: own.start, values: adjustedValues(own) }
      if ((own.adjustments ?? []).length === 0) return [used]
      return [
        used,
        { ...used, heading: headingOf(`${name}, as it came in`, unit), values: own.values },
      ]
    },
  )
  const { tOf, periodAt } = axisOf({ calendar, start: columns[0]!.start })
  const earliest = Math.min(...columns.map(({ start }) => tOf(start)))
  const first = periodAt(earliest)
  const { codeAt } = axisOf({ calendar, start: first })
  const shifts = columns.map(({ start }) => tOf(start) - earliest)
  const length = Math.max(...columns.map(({ values }, i) => shifts[i]! + values.length))
  if (length * columns.length > MOST_CELLS) {
    throw new Refusal(
      `Side by side these series make a table of ${figure(length)} rows and ${figure(columns.length + 1)} columns, from ${formatPeriod(first, calendar)} on: more than a file can hold. Take fewer of them, or those that lie nearer in time.`,
      'ids',
    )
  }
  return {
    header: ['period', ...columns.map(({ heading }) => heading)],
    rows: Array.from({ length }, (_, t) => [
      codeAt(t + 1),
      ...columns.map(({ values }, i) => values[t - shifts[i]!] ?? null),
    ]),
  }
}
