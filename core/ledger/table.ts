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

/** The forecast alone: deseasonalized and with the season, where there is one; limits at every level. */
export function forecastTable(result: Result): FigureTable {
  const { forecast, method, series, assumed } = result
  const { levels } = method.forecast
  const { find } = ledgerOf(result)
  const plain = find('forecastDeseasonalized')
  // What the season adds: the effect by a regression, the season of a smoothing, else the index of the decomposition.
  const season = find('seasonEffect') ?? find('seasonState') ?? find('index')
  const inSeason = (...cells: readonly (string | Value)[]) => (plain && season ? cells : [])
  return {
    header: [
      'period',
      't',
      ...inSeason(
        inBrackets(plain?.symbol ?? '', series.unit),
        season?.name === 'seasonEffect'
          ? inBrackets(season.symbol, season.unit)
          : inBrackets(
              'seasonal index',
              find('transformed') ? 'on the scale that is smoothed' : '',
            ),
      ),
      inBrackets('forecast', series.unit),
      ...(assumed ? [inBrackets('statistical forecast', series.unit)] : []),
      ...levels.flatMap((level) => [
        inBrackets(`${level}% lower`, series.unit),
        inBrackets(`${level}% upper`, series.unit),
      ]),
    ] as string[],
    rows: forecast.period.map((period, i) => [
      period,
      forecast.t[i]!,
      ...inSeason(forecast.deseasonalized[i]!, season?.ahead?.[i] ?? null),
      forecast.forecast[i]!,
      ...(assumed ? [assumed.statistical.forecast[i]!] : []),
      ...levels.flatMap((level) => [
        forecast.limits[level]!.lower[i]!,
        forecast.limits[level]!.upper[i]!,
      ]),
    ]),
  }
}

/** A heading with what is said of it in brackets, each once; none around nothing. */
export function inBrackets(heading: string, ...notes: readonly string[]): string {
  const said = [...new Set(notes)].filter((note) => note !== '')
  return said.length === 0 ? heading : `${heading} (${said.join('; ')})`
}
