import { Refusal } from '../../refusal'

/** The parameters of a robust loess decomposition as they are stated; what is left out takes its default. */
export interface StlChoices {
  /** n_s, odd and at least 7, in years of one season's values; `periodic` for a season that never changes. */
  readonly seasonalWindow: number | 'periodic'
  /** n_t, odd, in periods. */
  readonly trendWindow?: number
  /** n_l, odd, in periods. */
  readonly lowPassWindow?: number
  readonly seasonalDegree?: 0 | 1
  readonly trendDegree?: 0 | 1
  readonly lowPassDegree?: 0 | 1
  /** Whether outliers are given less weight; sets the numbers of passes. */
  readonly robust?: boolean
  readonly inner?: number
  readonly outer?: number
}

/** The same with every default filled in. */
export interface StlParameters {
  readonly isPeriodic: boolean
  readonly windows: {
    readonly seasonal: number
    readonly trend: number
    readonly lowPass: number
  }
  readonly degrees: { readonly seasonal: 0 | 1; readonly trend: 0 | 1; readonly lowPass: 0 | 1 }
  readonly inner: number
  readonly outer: number
}

/**
 * Fills in the parameters of a robust loess decomposition.
 *
 * Defaults: low-pass window the smallest odd number of at least m; trend window the smallest odd number of
 * at least 3·m·n_s ÷ (2·n_s − 3); two inner passes, or with `robust` one and fifteen outer ones. A periodic
 * season is one of window 10n + 1 and degree 0.
 *
 * @param n periods
 * @param seasons m
 * @throws Refusal for a window that is even or too small, naming it
 * @see Cleveland, Cleveland, McRae & Terpenning (1990), Journal of Official Statistics 6, 3–73, sec. 3
 * @example stlParameters({ seasonalWindow: 13 }, 120, 12).windows // { seasonal: 13, trend: 21, lowPass: 13 }
 */
export function stlParameters(choices: StlChoices, n: number, seasons: number): StlParameters {
  const { seasonalWindow, robust = false } = choices
  const isPeriodic = seasonalWindow === 'periodic'
  const seasonal = isPeriodic ? 10 * n + 1 : seasonalWindow
  if (!isPeriodic) requireOdd(seasonal, 7, 'seasonalWindow')
  const lowPass = choices.lowPassWindow ?? nextOdd(seasons)
  const trend = choices.trendWindow ?? usualTrendWindow(seasonal, seasons)
  requireOdd(trend, 3, 'trendWindow')
  requireOdd(lowPass, 3, 'lowPassWindow')
  return {
    isPeriodic,
    windows: { seasonal, trend, lowPass },
    degrees: {
      seasonal: isPeriodic ? 0 : (choices.seasonalDegree ?? 1),
      trend: choices.trendDegree ?? 1,
      lowPass: choices.lowPassDegree ?? 1,
    },
    inner: choices.inner ?? (robust ? 1 : 2),
    outer: choices.outer ?? (robust ? 15 : 0),
  }
}

/** The trend window that goes with one of the season: the smallest odd number of 3·m·n_s ÷ (2·n_s − 3) or more. */
export function usualTrendWindow(seasonal: number, seasons: number): number {
  return nextOdd(Math.ceil((3 * seasons * seasonal) / (2 * seasonal - 3)))
}

function nextOdd(least: number): number {
  return least % 2 === 1 ? least : least + 1
}

/** What each window is called, before its key. */
export const WINDOW_NAMES = {
  seasonalWindow: 'window of the season',
  trendWindow: 'window of the trend-cycle',
  lowPassWindow: 'low-pass window',
} as const

function requireOdd(window: number, least: number, name: keyof typeof WINDOW_NAMES): void {
  if (Number.isInteger(window) && window % 2 === 1 && window >= least) return
  throw new Refusal(
    `The ${WINDOW_NAMES[name]} is ${window}; it must be an odd number of at least ${least}.`,
    `decompose.${name}`,
  )
}
