import { axisOf } from '../calendar/axis'
import { errorFigures } from '../check/errorFigures'
import { offFrom, type Off } from '../check/verdict'
import { benchmarkForecast, benchmarksFor, type Benchmark } from '../forecast/benchmarks'
import { adjustedValues } from '../series/adjusted'
import type { Series, Value } from '../series/series'
import type { FrozenFigures, KeptForecast } from './kept'

/** Errors from which a tracking signal says something, and how many mean errors to one side are told. */
const FEWEST_TRACKED = 5
const TRACKED_BEYOND = 4
/** Actual values in a row, all beyond the same of the widest limits, that ask for a new look. */
const IN_A_ROW = 3
/** The same where errors add up to one side: so large a share of all that have come. */
const SHARE_BEYOND = 1 / 2

/** A forecast period, and what came. */
export interface JudgedPeriod {
  /** Period code. */
  readonly period: string
  readonly forecast: number
  /** Before it was bent by hand; null where it was not. */
  readonly statistical: Value
  /** As it came in; undefined where nothing has come yet. */
  readonly actual: Value
  /** What the analyst uses instead, where that is another. */
  readonly instead: Value
  /** actual − forecast */
  readonly error: Value
  /** Which limit it lies beyond, by level; null within, left out where it is not known. */
  readonly beyond: Readonly<Record<string, 'lower' | 'upper' | null>>
  /** What needs no method would have said. */
  readonly benchmark: Value
}

/** How a kept forecast did. */
export interface Judged {
  readonly periods: readonly JudgedPeriod[]
  /** Periods that have come. */
  readonly came: number
  readonly off: Off | null
  /** Σ(actual − forecast), in units of the series. */
  readonly cumulative: Value
  /** Cumulative error ÷ mean absolute error, from five errors on. */
  readonly tracking: Value
  /** How many of those that came lie within the limits, by level. */
  readonly within: Readonly<Record<string, { readonly inside: number; readonly of: number }>>
  readonly benchmark: { readonly which: Benchmark; readonly off: Off | null }
  /** Of the statistical forecast alone; null where nothing was bent. */
  readonly statistical: Off | null
  /** Why it needs a new look; null where it does not. */
  readonly need: Need | null
}

/** What asks for a new look at a forecast: values beyond its widest limits, on one side. */
export interface Need {
  /** The last ones, or so many of all that errors add up. */
  readonly why: 'last' | 'leans'
  readonly side: 'lower' | 'upper'
  /** Values beyond the limit, of how many. */
  readonly count: number
  readonly of: number
  readonly level: number
}

/**
 * How a kept forecast did: its figures beside what came in, as it came in.
 *
 * A value that the analyst replaced is judged as it came in; the other stands beside it. Last year's same periods are
 * those that were known when the forecast was kept.
 *
 * @param now the series as it is now; it may begin elsewhere and be longer
 * @see Trigg, D. W. (1964), Monitoring a forecasting system, Operational Research Quarterly 15, 271–274
 * @example forecast 10, 10, 10 and 12, 9 came: off by 14.3% (1.5 of 10.5), cumulative error 1, one period to come
 */
export function judge({ series, forecast }: KeptForecast, now: Series): Judged {
  const { calendar, tOfCode } = axisOf(series)
  const { period: codes } = forecast
  const origin = tOfCode(codes[0]!)! - 1
  const [which] = calendar.seasons < 2 ? benchmarksFor(1) : (['lastYear'] as const)
  const known = adjustedValues(series).slice(0, origin)
  const repeated = benchmarkForecast(which!, known, calendar.seasons, codes.length)
  const used = adjustedValues(now)
  const periods = codes.map((period, i): JudgedPeriod => {
    const t = axisOf(now).tOfCode(period)!
    const actual = now.values[t - 1] ?? null
    const instead = used[t - 1] ?? null
    return {
      period,
      forecast: forecast.forecast[i]!,
      statistical: forecast.statistical?.forecast[i] ?? null,
      actual,
      instead: instead === actual ? null : instead,
      error: actual === null ? null : actual - forecast.forecast[i]!,
      beyond: actual === null ? {} : beyondLimits(forecast, i, actual),
      benchmark: repeated[i] ?? null,
    }
  })
  const came = periods.filter(({ actual }) => actual !== null)
  const offBy = (of: (one: JudgedPeriod) => Value) => {
    const actual = came.map((one) => one.actual)
    return offFrom(errorFigures(actual, came.map(of), null).mae, actual)
  }
  const errors = came.map(({ error }) => error!)
  const judged = {
    periods,
    came: came.length,
    off: offBy((one) => one.forecast),
    cumulative: errors.length > 0 ? sum(errors) : null,
    tracking: trackingSignal(errors),
    within: withinLimits(forecast, came),
    benchmark: { which: which!, off: offBy((one) => one.benchmark) },
    statistical: forecast.statistical ? offBy((one) => one.statistical) : null,
  }
  return { ...judged, need: needOf(judged.tracking, came) }
}

/** Σe ÷ mean |e|; undefined of fewer than five, and of none but zeros. */
function trackingSignal(errors: readonly number[]): Value {
  if (errors.length < FEWEST_TRACKED) return null
  const mad = sum(errors.map(Math.abs)) / errors.length
  return mad > 0 ? sum(errors) / mad : null
}

function beyondLimits({ limits }: FrozenFigures, i: number, actual: number) {
  return Object.fromEntries(
    Object.entries(limits).flatMap(([level, { lower, upper }]) => {
      const [low, high] = [lower[i] ?? null, upper[i] ?? null]
      if (low === null || high === null) return []
      return [[level, actual < low ? 'lower' : actual > high ? 'upper' : null] as const]
    }),
  )
}

function withinLimits({ limits }: FrozenFigures, came: readonly JudgedPeriod[]): Judged['within'] {
  return Object.fromEntries(
    Object.keys(limits).flatMap((level) => {
      const told = came.flatMap(({ beyond }) => (level in beyond ? [beyond[level]!] : []))
      if (told.length === 0) return []
      return [[level, { inside: told.filter((side) => side === null).length, of: told.length }]]
    }),
  )
}

/**
 * Errors of one forecast are alike from period to period, so that a tracking signal beyond ±4 is met in 40 to 80 of 100
 * forecasts by the true model; with half of the values beyond the 95% limits as well it is in at most 9, and a level that
 * changed by a tenth is found in 81 of 100 after six months.
 */
function needOf(tracking: Value, came: readonly JudgedPeriod[]): Need | null {
  const level = Math.max(0, ...Object.keys(came[0]?.beyond ?? {}).map(Number))
  if (level === 0) return null
  const beyond = (own: readonly JudgedPeriod[], side: Need['side']) =>
    own.filter((one) => one.beyond[level] === side).length
  const last = came.slice(-IN_A_ROW)
  for (const side of ['lower', 'upper'] as const) {
    if (beyond(last, side) === IN_A_ROW) {
      return { why: 'last', side, count: IN_A_ROW, of: IN_A_ROW, level }
    }
  }
  if (!leans(tracking)) return null
  const side = tracking! > 0 ? 'upper' : 'lower'
  const count = beyond(came, side)
  return count >= SHARE_BEYOND * came.length
    ? { why: 'leans', side, count, of: came.length, level }
    : null
}

/** The narrowest limits of a forecast, and how many of the values that came lie within them; null without any. */
export function withinNarrowest({ within }: Judged) {
  const levels = Object.keys(within).map(Number)
  if (levels.length === 0) return null
  const level = Math.min(...levels)
  return { level, ...within[level]! }
}

/** Whether errors add up to more on one side than a tracking signal may. */
export function leans(tracking: Value): boolean {
  return tracking !== null && Math.abs(tracking) > TRACKED_BEYOND
}

function sum(figures: readonly number[]): number {
  return figures.reduce((all, one) => all + one, 0)
}
