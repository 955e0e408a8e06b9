import { seasonLabel } from '../calendar/labels'
import { periodAt } from '../calendar/period'
import { seasonColumn, seasonOrder, tableYear } from '../calendar/tableYear'
import type { Column } from '../column/column'
import type { Result } from '../result'
import type { Value } from '../series/series'
import { ledgerOf } from './ledger'
import { decimalsOfRows, inBrackets, type FigureTable } from './table'

/** The row that a season is seen in: its ratios or differences, else its indices, else the values. */
const SEEN_IN = ['seasonalIrregular', 'index', 'value'] as const

/**
 * The season grid: years downwards, seasons across, and the index of each season below.
 *
 * @param name of the row that is laid out; the one that its season is seen in when left out
 */
export function seasonTable(result: Result, name?: string): FigureTable {
  const { columns, find, run } = ledgerOf(result)
  const column =
    find(name ?? '') ??
    SEEN_IN.map((own) => columns.find((one) => one.name === own && one.actual)).find(Boolean)!
  const { calendar, start, firstT, lastT } = run
  const order = seasonOrder(calendar)
  const years = new Map<number, Value[]>()
  for (let t = firstT; t <= lastT; t++) {
    const period = periodAt(start, t, calendar.seasons)
    const year = tableYear(period, calendar)
    const row = years.get(year) ?? order.map((): Value => null)
    row[seasonColumn(period.season, calendar)] = run.value(column.name, t)
    years.set(year, row)
  }
  const decimals = decimalsOfRows(result)
  return {
    header: [
      inBrackets(column.label, column.unit),
      ...order.map((season) => seasonLabel(season, calendar)),
    ],
    rows: [
      ...[...years].map(([year, row]) => [String(year), ...row]),
      ...indexRows(result, find('index'), order),
    ],
    decimals: [0, ...order.map(() => decimals(column))],
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
