import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import type { SmallLine } from '../figures/SmallPicture.vue'
import { boundsOf, comparableComponents } from './comparison'

/** The same picture of every method, on one scale. */
export interface ComparedPicture {
  readonly title: string
  readonly height: number
  readonly bounds: { readonly low: number; readonly high: number }
  /** Codes of its first and last period; null where the picture below has the same. */
  readonly ends: readonly [string, string] | null
  /** For each method its lines. */
  readonly lines: readonly (readonly SmallLine[])[]
}

/** Years of actual values before a forecast. */
const YEARS_BEFORE = 2

/** Components, fit and forecast of several results, each picture on one scale for all. */
export function comparedPictures(results: readonly Result[]): ComparedPicture[] {
  const ahead = Math.max(...results.map(({ forecast }) => forecast.t.length))
  const parts: readonly (readonly [string, number, (result: Result) => SmallLine[]])[] = [
    [
      'Trend-cycle',
      84,
      (result) => [
        { kind: 'sales', values: result.columns.value },
        { kind: 'trendCycle', values: result.columns.trendCycle },
      ],
    ],
    [
      'What the season adds',
      70,
      (result) => [{ kind: 'season', values: comparableComponents(result).season }],
    ],
    [
      'What is left over',
      56,
      (result) => [{ kind: 'irregular', values: comparableComponents(result).irregular }],
    ],
    [
      'Fit',
      84,
      (result) => [
        { kind: 'sales', values: result.columns.value },
        { kind: 'fit', values: result.columns.fitted },
      ],
    ],
    ['Forecast and limits', 84, (result) => forecastLines(result, ahead)],
  ]
  const [{ columns, series }] = results as [Result]
  const longest = results.find(({ forecast }) => forecast.t.length === ahead)!
  const before = columns.period.slice(-yearsBefore(series.seasons))
  const ends: Readonly<Record<string, readonly [string, string]>> = {
    Fit: [columns.period[0]!, columns.period.at(-1)!],
    'Forecast and limits': [before[0]!, longest.forecast.period.at(-1)!],
  }
  return parts.map(([title, height, linesOf]) => {
    const lines = results.map(linesOf)
    const bounds = boundsOf(lines.flatMap((own) => own.map(({ values }) => values)))
    return { title, height, bounds, ends: ends[title] ?? null, lines }
  })
}

/** Periods of actual values before a forecast; of a series with few seasons some more. */
function yearsBefore(seasons: number): number {
  return YEARS_BEFORE * Math.max(seasons, 4)
}

/** The last years and the forecast with its widest limits, as many periods ahead as any method has. */
function forecastLines({ columns, forecast, series, method }: Result, ahead: number): SmallLine[] {
  const before = columns.value.slice(-yearsBefore(series.seasons))
  const nothing = (count: number) => Array<Value>(count).fill(null)
  const after = (values: readonly Value[]) => [
    ...nothing(before.length),
    ...values,
    ...nothing(ahead - values.length),
  ]
  const widest = forecast.limits[Math.max(...method.forecast.levels)]
  return [
    { kind: 'sales', values: [...before, ...nothing(ahead)] },
    ...(widest
      ? [
          { kind: 'limit' as const, values: after(widest.lower) },
          { kind: 'limit' as const, values: after(widest.upper) },
        ]
      : []),
    { kind: 'forecast', values: after(forecast.forecast) },
  ]
}
