import type { FigureColumn, Result } from '../result'
import type { Value } from '../series'

/** The rows of the ledger that exist in forecast periods only. */
export type ForecastColumn =
  'forecastDeseasonalized' | 'forecast' | `lower:${number}` | `upper:${number}`

/** Any row of figures in the ledger. */
export type CellColumn = FigureColumn | ForecastColumn

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
 * The figure in a cell of the ledger, over actual and forecast periods alike.
 *
 * The index runs on into the forecast, and so does the trend, which there is the deseasonalized
 * forecast.
 *
 * @returns undefined (null) where the calculation has no figure
 */
export function cellValue(result: Result, { column, t }: Cell): Value {
  const { columns, forecast } = result
  const ahead = t - lastActualT(result) - 1
  const limit = limitOf(column)
  if (limit) return forecast.limits[limit.level]?.[limit.side][ahead] ?? null
  switch (column as Exclude<CellColumn, `lower:${number}` | `upper:${number}`>) {
    case 'forecast':
      return forecast.forecast[ahead] ?? null
    case 'forecastDeseasonalized':
      return forecast.deseasonalized[ahead] ?? null
    case 'index':
      return ahead >= 0 ? (forecast.index[ahead] ?? null) : at('index')
    case 'trend':
      return ahead >= 0 ? (forecast.deseasonalized[ahead] ?? null) : at('trend')
    default:
      return at(column as FigureColumn)
  }

  function at(name: FigureColumn): Value {
    return columns[name][t - columns.t[0]!] ?? null
  }
}
