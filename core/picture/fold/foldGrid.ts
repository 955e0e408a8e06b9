import { seasonColumn, seasonOrder, tableYear } from '../../calendar/tableYear'
import { seasonLabel } from '../../calendar/labels'
import { periodAt } from '../../calendar/period'
import type { Series, Value } from '../../series/series'
import { mean } from '../../statistics/average'

/** A row of the ledger folded by year: years down, seasons across. */
export interface FoldGrid {
  /** In the order of the columns. */
  readonly seasons: readonly {
    readonly season: number
    readonly label: string
    readonly mean: Value
  }[]
  readonly years: readonly { readonly year: number; readonly cells: readonly FoldCell[] }[]
}

/** One period in the grid; `t` is null where the series does not reach. */
export interface FoldCell {
  readonly t: number | null
  readonly value: Value
}

/**
 * Folds a row by year. A year begins in the series' own first month.
 *
 * @param valueAt the row's value at a time code
 * @param span first and last time code to fold
 */
export function foldGrid(
  { calendar, start }: Pick<Series, 'calendar' | 'start'>,
  valueAt: (t: number) => Value,
  span: { readonly first: number; readonly last: number },
): FoldGrid {
  const years = new Map<number, FoldCell[]>()
  for (let t = span.first; t <= span.last; t++) {
    const period = periodAt(start, t, calendar.seasons)
    const year = tableYear(period, calendar)
    const cells =
      years.get(year) ?? Array<FoldCell>(calendar.seasons).fill({ t: null, value: null })
    cells[seasonColumn(period.season, calendar)] = { t, value: valueAt(t) }
    years.set(year, cells)
  }
  const rows = [...years].map(([year, cells]) => ({ year, cells }))
  return {
    years: rows,
    seasons: seasonOrder(calendar).map((season, column) => ({
      season,
      label: seasonLabel(season, calendar),
      mean: mean(
        rows.flatMap(({ cells }) => (cells[column]!.value === null ? [] : [cells[column]!.value!])),
      ),
    })),
  }
}
