import type { Column } from '../column/column'
import { STATISTICAL_FORECAST } from '../forecast/assumptions/columns'
import { limitNamed } from '../forecast/columns'
import type { Result } from '../result'
import type { Value } from '../series/series'
import { ledgerOf } from './ledger'

/** A table of figures with named columns, ready to be written out. */
export interface FigureTable {
  readonly header: readonly string[]
  readonly rows: readonly (readonly (string | Value)[])[]
}

/**
 * The whole ledger stood on end, one line a period: a spreadsheet reads periods downwards.
 *
 * An off-centre average stands between two periods; its column says at which time code, and its
 * figure stands on the line of the first value it averages.
 *
 * @returns actual periods first, then forecast ones, told apart by the column `kind`
 */
export function ledgerTable(result: Result): FigureTable {
  const { columns: steps, run } = ledgerOf(result)
  const { columns, forecast } = result
  const line = (period: string, t: number, season: number): (string | Value)[] => [
    period,
    t,
    season,
    t > run.lastT ? 'forecast' : 'actual',
    ...steps.map(({ name }) => run.value(name, t)),
  ]
  return {
    header: [
      'period',
      't',
      'season',
      'kind',
      ...steps.map(({ label, unit, offset }) =>
        offset === 0 ? inBrackets(label, unit) : inBrackets(label, unit, `stands at t + ${offset}`),
      ),
    ],
    rows: [
      ...columns.period.map((period, i) => line(period, columns.t[i]!, columns.season[i]!)),
      ...forecast.period.map((period, i) => line(period, forecast.t[i]!, forecast.season[i]!)),
    ],
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

/** The forecast alone, period by period. */
export function forecastTable(result: Result): FigureTable {
  const { forecast } = result
  const columns = forecastColumns(result)
  return {
    header: ['period', 't', ...columns.map(({ heading }) => heading)],
    rows: forecast.period.map((period, i) => [
      period,
      forecast.t[i]!,
      ...columns.map(({ column }) => column.ahead?.[i] ?? null),
    ]),
  }
}

/** A heading with what is said of it in brackets, each once; none around nothing. */
export function inBrackets(heading: string, ...notes: readonly string[]): string {
  const said = [...new Set(notes)].filter((note) => note !== '')
  return said.length === 0 ? heading : `${heading} (${said.join('; ')})`
}
