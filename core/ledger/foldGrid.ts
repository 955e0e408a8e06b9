import { tableColumn, tableColumns, tableYear } from '../calendar/tableYear'
import { cycleLabel } from '../calendar/labels'
import { axisOf } from '../calendar/axis'
import { axisByCycle } from '../calendar/axisByCycle'
import type { Column } from '../column/column'
import type { Result } from '../result'
import type { Series, Value } from '../series/series'
import { ledgerOf } from './ledger'
import { mean } from '../statistics/average'

/** A row of the ledger folded by cycle: years down, months across; weeks down, days across. */
export interface FoldGrid {
  /** In the order of the columns. */
  readonly seasons: readonly {
    readonly season: number
    readonly label: string
    readonly mean: Value
  }[]
  readonly years: readonly FoldYear[]
}

/** A year of the grid, or a week of days. */
export interface FoldYear {
  readonly year: number
  /** As it is called: `2024`, `2024 W05`. */
  readonly label: string
  readonly cells: readonly FoldCell[]
}

/** One period in the grid; `t` is null where the series does not reach. */
export interface FoldCell {
  readonly t: number | null
  readonly value: Value
}

/**
 * Folds a row by cycle. A year begins in the series' own first month.
 *
 * @param valueAt the row's value at a time code
 * @param span first and last time code to fold
 */
export function foldGrid(
  { calendar, start }: Pick<Series, 'calendar' | 'start'>,
  valueAt: (t: number) => Value,
  span: { readonly first: number; readonly last: number },
): FoldGrid {
  const { periodAt } = axisOf({ calendar, start })
  const columns = tableColumns(calendar)
  const years = new Map<number, FoldCell[]>()
  for (let t = span.first; t <= span.last; t++) {
    const period = periodAt(t)
    const year = tableYear(period, calendar)
    const cells = years.get(year) ?? Array<FoldCell>(columns.length).fill({ t: null, value: null })
    cells[tableColumn(period, calendar)] = { t, value: valueAt(t) }
    years.set(year, cells)
  }
  const rows = [...years].map(([year, cells]) => ({
    ...{ year, label: cycleLabel(year, calendar), cells },
  }))
  return {
    years: rows,
    seasons: columns.map(({ season, label }, column) => ({
      ...{ season, label },
      mean: mean(
        rows.flatMap(({ cells }) => (cells[column]!.value === null ? [] : [cells[column]!.value!])),
      ),
    })),
  }
}

/** How a series is folded where that is not by its own cycle, from the first of its seasons on. */
export interface FoldLayout {
  /** The season that a cycle begins in. */
  readonly yearStart?: number | undefined
  /** Seasons of another cycle that it can be laid out by. */
  readonly cycle?: number | undefined
}

/** Calendar and start of a series as it is folded. @example days by the week, laid out by 365: years of days */
export function laidOut(
  { calendar, start }: Pick<Series, 'calendar' | 'start'>,
  { yearStart, cycle }: FoldLayout,
): Pick<Series, 'calendar' | 'start'> {
  const axis = axisByCycle(axisOf({ calendar, start }), cycle ?? calendar.seasons)
  return {
    calendar: { ...axis.calendar, yearStart: yearStart ?? axis.calendar.yearStart },
    start: axis.periodAt(1),
  }
}

/** A row of the ledger folded by its cycle, or as it is laid out. */
export function foldedOf(result: Result, name: string, layout: FoldLayout = {}): FoldGrid {
  const { run } = ledgerOf(result)
  const span = { first: run.firstT, last: run.lastT }
  return foldGrid(laidOut(run, layout), (t) => run.value(name, t), span)
}

/** The row that a season is seen in: its ratios or differences, else its indices, else the values. */
const SEEN_IN = ['seasonalIrregular', 'index', 'value'] as const

/** @param name of another row that is to be seen; where it is not there, the one that the season is seen in */
export function rowOfSeason(result: Result, name = ''): Column {
  const { find } = ledgerOf(result)
  return [name, ...SEEN_IN].map(find).find((one) => one?.actual?.some((y) => y !== null))!
}
