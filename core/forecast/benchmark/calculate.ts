import { Refusal } from '../../refusal'
import type { Value } from '../../series/series'
import { tQuantile } from '../../statistics/distributions'
import { limitOf, requireNumbers } from '../beyondNumbers'
import {
  benchmarkBasis,
  benchmarkForecast,
  type Benchmark,
  type BenchmarkBasis,
} from '../benchmarks'
import type { Limits } from '../limits'
import type { CommonAhead, ForecastBasis, Forecasted } from '../way'
import type { BenchmarkOptions } from './options'

/** A forecast that repeats or averages what was. */
export interface BenchmarkForecast extends CommonAhead {
  readonly by: 'benchmark'
  readonly which: Benchmark
  /** Variance of each period as a multiple of that of one step. */
  readonly growth: readonly number[]
  readonly interval: {
    /** One-step errors less what was estimated; not above 0 when too few are left for limits. */
    readonly df: number
    /** √(Σe² ÷ df) of the one-step errors, in units of the series. */
    readonly s: Value
    /** t quantiles keyed by level. */
    readonly quantiles: Readonly<Record<string, Value>>
  }
}

/** Numbers that each estimates from the values. */
const ESTIMATED: Readonly<Record<Benchmark, number>> = {
  lastValue: 0,
  lastYear: 0,
  mean: 1,
  drift: 1,
}

/**
 * Forecast by a benchmark.
 *
 * Limits are ŷ ± t · s · √g, s that of the one-step errors and g what the variance has grown to at d periods
 * beyond the value that is repeated: d for the last value, whole years for last year, 1 + 1/n for the mean, and
 * d·(1 + d/(N − 1)) for the drift through the first and the last of N periods, whose slope is uncertain too.
 *
 * @throws Refusal when a value that would be repeated is missing throughout
 * @see Harvey, A. C. (1989), Forecasting, Structural Time Series Models and the Kalman Filter, sec. 2.1 (random
 *   walk, with drift)
 * @example last value of [10, 12, 11]: 11 ± t(2 df) · √((4 + 1) / 2) · √h
 */
export function forecastByBenchmark(
  { stretch, lastT }: Pick<ForecastBasis, 'stretch' | 'lastT'>,
  { which, horizon, levels }: BenchmarkOptions,
): Forecasted<BenchmarkForecast> {
  const { values, calendar } = stretch
  const { seasons } = calendar
  const basis = benchmarkBasis(values, seasons)
  const points = benchmarkForecast(which, values, seasons, horizon)
  const hole = points.indexOf(null)
  if (!basis || hole >= 0) {
    const { label } = stretch.periodOf(values.length + Math.max(0, hole))
    throw new Refusal(`There is no value to repeat for ${label}.`, 'forecast.which')
  }
  const forecast = points as number[]
  requireNumbers(forecast)
  const fitted = fittedBy(which, values, seasons, basis)
  const errors = values.flatMap((value, i) =>
    value === null || fitted[i] === null ? [] : [value - fitted[i]!],
  )
  const df = errors.length - ESTIMATED[which]
  const s = df > 0 ? Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0) / df) : null
  const growth = forecast.map((_, k) =>
    growthAt(which, values.length + k, basis, seasons, errors.length),
  )
  const quantiles: Record<string, Value> = {}
  const limits: Record<string, Limits> = {}
  for (const level of levels) {
    const quantile = df > 0 ? tQuantile(level, df) : null
    quantiles[level] = quantile
    const limit = (sign: 1 | -1) =>
      forecast.map((point, k) =>
        s === null || quantile === null
          ? null
          : limitOf(point + sign * quantile * s * Math.sqrt(growth[k]!)),
      )
    limits[level] = { lower: limit(-1), upper: limit(1) }
  }
  return {
    ahead: {
      by: 'benchmark',
      which,
      t: forecast.map((_, k) => lastT + 1 + k),
      forecast,
      deseasonalized: forecast.map(() => null),
      growth,
      limits,
      interval: { df, s, quantiles },
    },
    fitted,
    level: null,
    estimated: ESTIMATED[which],
    inProportion: false,
    report: () => null,
  }
}

/** One step ahead over the past; undefined where what would be repeated is missing. */
function fittedBy(
  which: Benchmark,
  values: readonly Value[],
  seasons: number,
  { slope, mean }: BenchmarkBasis,
): Value[] {
  const before = (i: number, lag: number) => (i < lag ? null : values[i - lag]!)
  return values.map((_, i): Value => {
    switch (which) {
      case 'lastValue':
        return before(i, 1)
      case 'lastYear':
        return before(i, seasons)
      case 'mean':
        return mean
      case 'drift': {
        const last = before(i, 1)
        return last === null ? null : last + slope
      }
    }
  })
}

function growthAt(
  which: Benchmark,
  entry: number,
  { first, last, lastOfSeason }: BenchmarkBasis,
  seasons: number,
  count: number,
): number {
  const distance = entry - last
  switch (which) {
    case 'lastValue':
      return distance
    case 'lastYear':
      return (entry - lastOfSeason(entry)!) / seasons
    case 'mean':
      return 1 + 1 / count
    case 'drift':
      return distance * (1 + distance / Math.max(1, last - first))
  }
}
