import type { FigureColumn, Result } from '../result'
import type { Value } from '../series/series'

/** The rows of the ledger that exist in forecast periods only. */
export type ForecastColumn =
  'forecastDeseasonalized' | 'forecast' | `lower:${number}` | `upper:${number}`

/** A row that is looked at beside the ledger; the result itself has no figures for it. */
export type BesideRowColumn = `beside:${string}`

/** Any row of figures in the ledger. */
export type CellColumn = FigureColumn | ForecastColumn | BesideRowColumn

/** One cell of the ledger. */
export interface Cell {
  readonly column: CellColumn
  /** Time code; for `movingAverage`, the first of the averaged values. */
  readonly t: number
}

/** A limit column's side and level, or null for any other column. */
export function limitOf(column: CellColumn): { side: 'lower' | 'upper'; level: number } | null {
  const [side, level] = column.split(':')
  return level !== undefined && (side === 'lower' || side === 'upper')
    ? { side, level: Number(level) }
    : null
}

/** The last time code of the analysed span; later ones are forecast. */
export function lastActualT(result: Result): number {
  return result.columns.t.at(-1)!
}

/**
 * The figures of a row over all periods, actual ones first and then the forecast.
 *
 * The index runs on into the forecast, and so does the trend, which there is the deseasonalized
 * forecast.
 *
 * @returns one entry a period, undefined (null) where the calculation has no figure
 */
export function rowValues(result: Result, column: CellColumn): Value[] {
  const { actual, ahead } = partsOf(result, column)
  const { columns, forecast } = result
  return [...(actual ?? columns.t.map(() => null)), ...(ahead ?? forecast.t.map(() => null))]
}

/** The figure in a cell of the ledger; see {@link rowValues}. */
export function cellValue(result: Result, { column, t }: Cell): Value {
  const { actual, ahead } = partsOf(result, column)
  const last = lastActualT(result)
  const figure = t > last ? ahead?.[t - last - 1] : actual?.[t - result.columns.t[0]!]
  return figure ?? null
}

interface RowParts {
  /** Over the analysed span; null when the row has no figures there. */
  readonly actual: readonly Value[] | null
  /** Over the forecast; null likewise. */
  readonly ahead: readonly Value[] | null
}

function partsOf({ columns, forecast }: Result, column: CellColumn): RowParts {
  switch (column) {
    case 'index':
      return { actual: columns.index, ahead: forecast.index }
    case 'trend':
      return { actual: columns.trend, ahead: forecast.deseasonalized }
    case 'forecast':
      return { actual: null, ahead: forecast.forecast }
    case 'forecastDeseasonalized':
      return { actual: null, ahead: forecast.deseasonalized }
  }
  const limit = limitOf(column)
  if (limit) return { actual: null, ahead: forecast.limits[limit.level]?.[limit.side] ?? null }
  if (column.startsWith('beside:')) return { actual: null, ahead: null }
  return { actual: columns[column as FigureColumn], ahead: null }
}
