import { cycleOfResult } from './calendarOfResult'
import type { Column } from '../column/column'
import { STATISTICAL_FORECAST } from '../forecast/assumptions/columns'
import { limitNamed } from '../forecast/columns'
import { rowDecimals } from '../column/rowDecimals'
import type { Looked, Result } from '../result'
import type { Value } from '../series/series'
import { displayScale } from '../words/displayScale'
import { columnValues, isResult, ledgerOf } from './ledger'
import { totalsOf } from './totalled'

/** A table of figures with named columns, ready to be written out. */
export interface FigureTable {
  /** What it is about, a line each, above the header; none where it is left out. */
  readonly heading?: readonly string[]
  readonly header: readonly string[]
  readonly rows: readonly (readonly (string | Value)[])[]
  /** Decimals that the figures of each column are shown with; left out for a table of figures in full. */
  readonly decimals?: readonly number[]
}

/** A row of the ledger that is to stand as a column of a table. */
export interface TableColumn {
  readonly heading: string
  readonly column: Column
  /** One a period, the forecast's behind the actual ones. */
  readonly values: readonly Value[]
}

/**
 * Rows of the ledger stood on end, one line a period: a spreadsheet reads periods downwards.
 *
 * An off-centre average stands between two periods; its column says at which time code, and its
 * figure stands on the line of the first value it averages.
 *
 * @returns actual periods first, then forecast ones, told apart by the column `kind`
 */
export function rowsTable(result: Looked | Result, columns: readonly TableColumn[]): FigureTable {
  type Periods = Pick<Looked['columns'], 'period' | 't' | 'season'>
  const ahead: Periods = isResult(result) ? result.forecast : { period: [], t: [], season: [] }
  const past = result.columns
  const decimals = decimalsOfRows(result)
  const line = (kind: string, of: Periods, before: number) =>
    of.period.map((period, i): (string | Value)[] => [
      ...[period, of.t[i]!, of.season[i]!, kind],
      ...columns.map(({ values }) => values[before + i] ?? null),
    ])
  return {
    header: ['period', 't', 'season', 'kind', ...columns.map(({ heading }) => heading)],
    rows: [...line('actual', past, 0), ...line('forecast', ahead, past.t.length)],
    decimals: [0, 0, 0, 0, ...columns.map(({ column }) => decimals(column))],
  }
}

/** All steps of the ledger, as a table. */
export function ledgerTable(result: Looked | Result): FigureTable {
  const ledger = ledgerOf(result)
  const columns = ledger.columns.map((column) => ({
    heading: headingOfRow(column),
    column,
    values: columnValues(ledger, column),
  }))
  return rowsTable(result, columns)
}

/** What a row is called above a column, with what it is counted in and where it stands. */
export function headingOfRow({ label, unit, offset }: Column, ...notes: readonly string[]): string {
  return inBrackets(label, ...notes, unit, ...(offset === 0 ? [] : [`stands at t + ${offset}`]))
}

/** Decimals that the figures of a row are shown with: in their own unit, never in thousands of it. */
export function decimalsOfRows({ columns, series }: Looked): (row: Column) => number {
  const scale = displayScale(columns.value, series.unit)
  const own = scale.divisor > 1 ? { ...scale, decimals: 0, valueDecimals: 0, divisor: 1 } : scale
  return (row) => rowDecimals(row, own)[1]
}

/** The same table with its figures rounded as they are shown. */
export function rounded(table: FigureTable): FigureTable {
  const { decimals } = table
  if (!decimals) return table
  return {
    ...table,
    rows: table.rows.map((row) =>
      row.map((cell, i) =>
        typeof cell === 'number' ? Number(cell.toFixed(decimals[i] ?? 0)) + 0 : cell,
      ),
    ),
  }
}

/** A column of the forecast's table, and the row of the ledger that it is. */
export interface ForecastColumn {
  readonly heading: string
  readonly column: Column
}

/** What the forecast is handed over as: before and with the season, where there is one; limits at every level. */
export function forecastColumns(result: Result): ForecastColumn[] {
  const { columns, find } = ledgerOf(result)
  const { series } = result
  const plain = find('forecastDeseasonalized')
  // What the season adds: the effect by a regression, the season of a smoothing, else the index of the decomposition.
  const season = find('seasonEffect') ?? find('seasonState') ?? find('index')
  const isIndex = season?.name !== 'seasonEffect'
  const note = find('transformed') ? 'on the scale that is smoothed' : ''
  const seasonHeading =
    season &&
    (isIndex ? inBrackets('seasonal index', note) : inBrackets(season.symbol, season.unit))
  const named = (heading: string, column: Column | undefined): ForecastColumn[] =>
    column ? [{ heading, column }] : []
  const isApart = plain !== undefined && season?.ahead !== null && season !== undefined
  return [
    ...(isApart
      ? [...named(inBrackets(plain.symbol, series.unit), plain), ...named(seasonHeading!, season)]
      : []),
    ...named(inBrackets('forecast', series.unit), find('forecast')),
    ...named(inBrackets('statistical forecast', series.unit), find(STATISTICAL_FORECAST)),
    ...columns.flatMap((column) => {
      const limit = limitNamed(column.name)
      return limit ? named(inBrackets(`${limit.level}% ${limit.side}`, series.unit), column) : []
    }),
  ]
}

/** The forecast period by period, and below it what years and quarters come to, beside the same a year before. */
export function forecastTable(result: Result): FigureTable {
  const { forecast, series } = result
  const columns = forecastColumns(result)
  const decimals = decimalsOfRows(result)
  const point = columns.findIndex(({ column }) => column.name === 'forecast')
  const own = decimals(columns[point]!.column)
  const lines = totalsOf(result).flatMap(({ rows }) => rows)
  return {
    header: [
      'period',
      't',
      ...columns.map(({ heading }) => heading),
      ...(lines.length > 0
        ? [inBrackets(`a ${cycleOfResult(result)} before`, series.unit), 'change (%)']
        : []),
    ],
    rows: [
      ...forecast.period.map((period, i) => [
        period,
        forecast.t[i]!,
        ...columns.map(({ column }) => column.ahead?.[i] ?? null),
        ...(lines.length > 0 ? [null, null] : []),
      ]),
      ...lines.map(({ label, total, before, change }) => [
        `${series.quantity === 'level' ? 'mean' : 'total'} ${label}`,
        null,
        ...columns.map((_, i) => (i === point ? total : null)),
        before,
        change === null ? null : 100 * change,
      ]),
    ],
    decimals: [0, 0, ...columns.map(({ column }) => decimals(column)), own, 1],
  }
}

/** A heading with what is said of it in brackets, each once; none around nothing. */
export function inBrackets(heading: string, ...notes: readonly string[]): string {
  const said = [...new Set(notes)].filter((note) => note !== '')
  return said.length === 0 ? heading : `${heading} (${said.join('; ')})`
}
