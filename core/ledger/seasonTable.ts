import type { Column } from '../column/column'
import type { Result } from '../result'
import type { Value } from '../series/series'
import { foldedOf, rowOfSeason } from './foldGrid'
import { ledgerOf } from './ledger'
import { decimalsOfRows, inBrackets, type FigureTable } from './table'

/**
 * The season grid: years downwards, seasons across, and the index of each season below.
 *
 * @param name of the row that is laid out; the one that its season is seen in when left out
 */
export function seasonTable(result: Result, name?: string): FigureTable {
  const { find } = ledgerOf(result)
  const column = rowOfSeason(result, name)
  const { seasons, years } = foldedOf(result, column.name)
  const decimals = decimalsOfRows(result)
  return {
    header: [inBrackets(column.label, column.unit), ...seasons.map(({ label }) => label)],
    rows: [
      ...years.map(({ label, cells }) => [label, ...cells.map(({ value }) => value)]),
      ...indexRows(
        result,
        find('index'),
        seasons.map(({ season }) => season),
      ),
    ],
    decimals: [0, ...seasons.map(() => decimals(column))],
  }
}

/** The index of each season, those of the last year where they change. */
function indexRows(
  { seasons }: Result,
  index: Column | undefined,
  order: readonly number[],
): (string | Value)[][] {
  if (!index || seasons.length === 0) return []
  const own = new Map(seasons.map((row) => [row.season, row.index]))
  return [[inBrackets('index', index.unit), ...order.map((season) => own.get(season) ?? null)]]
}
