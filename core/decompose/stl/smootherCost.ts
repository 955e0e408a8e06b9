import { loess } from '../../smoothing/loess'
import type { Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import type { StlParameters } from './windows'

/** What a season's smoother takes from the data. */
export interface SmootherCost {
  /** Trace of the smoother: as many averages as it is worth. */
  readonly trace: number
  /** Sum of squares of its last row: the variance of the last year's index, in that of a single value. */
  readonly uncertainty: number
}

/**
 * How many values one season's loess over the years spends, and how uncertain its last year is. An average spends
 * one, and is as uncertain as 1 ÷ count; a smoother that may change spends more.
 *
 * @param values of one season, one a year, null = without a value or left out
 * @see Hastie, T. & Tibshirani, R. (1990), Generalized Additive Models, sec. 3.5, for the trace as degrees of freedom
 * @example ten years under a window of 13: about 2.4 averages, the last as uncertain as 1 ÷ 2.4
 */
export function smootherCost(
  values: readonly Value[],
  { isPeriodic, windows, degrees }: Pick<StlParameters, 'isPeriodic' | 'windows' | 'degrees'>,
): SmootherCost {
  const count = values.filter((value) => value !== null).length
  if (isPeriodic) return { trace: 1, uncertainty: 1 / count }
  // One row at a time: all of them together are as many figures as the square of the years.
  const row = (year: number) => smootherRow(values, year, windows.seasonal, degrees.seasonal)
  const own = values.map((_, year): Value => {
    const found = row(year)
    return found && shareOf(found, year)
  })
  // A window without any weight says nothing: the nearest year that has some stands in.
  const standIn = (year: number): SmootherRow => {
    const near = nearest(own, year)
    return near === null
      ? { from: 0, shares: values.map((value) => (value === null ? 0 : 1 / count)) }
      : row(near)!
  }
  const last = values.length - 1
  const { shares } = row(last) ?? standIn(last)
  return {
    trace: own.reduce<number>(
      (sum, value, year) => sum + (value ?? shareOf(standIn(year), year)),
      0,
    ),
    uncertainty: shares.reduce((sum, share) => sum + share * share, 0),
  }
}

/**
 * What the smoother of each season takes, season 1 first; seasons with values in the same years take the same.
 *
 * @param fitted one a period, null = without a value or left out
 */
export function costsOf(
  { calendar, seasonOf }: Pick<Stretch, 'calendar' | 'seasonOf'>,
  fitted: readonly Value[],
  parameters: StlParameters,
): SmootherCost[] {
  const known = new Map<string, SmootherCost>()
  return Array.from({ length: calendar.seasons }, (_, k) => {
    const own = fitted.filter((_, i) => seasonOf[i] === k + 1)
    const years = own.map((value) => (value === null ? '0' : '1')).join('')
    const cost = known.get(years) ?? smootherCost(own, parameters)
    known.set(years, cost)
    return cost
  })
}

/** What the years around one count in the fit at it, from the first of them on; any other counts nothing. */
interface SmootherRow {
  readonly from: number
  readonly shares: readonly number[]
}

/** What each year counts in the fit at one of them; null when none does. */
function smootherRow(
  values: readonly Value[],
  at: number,
  window: number,
  degree: 0 | 1,
): SmootherRow | null {
  // The nearest years of a window lie no further from it than the window is long; a longer one than the series has all of them.
  const isLocal = window <= values.length
  const from = isLocal ? Math.max(0, at - window) : 0
  const near = isLocal ? values.slice(from, at + window + 1) : values
  const x = near.map((_, i) => from + i)
  const prior = near.map((value) => (value === null ? 0 : 1))
  const { weights } = loess({ x, y: prior, weights: prior }, at, window, degree)
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  if (!(total > 0)) return null
  const centre = weights.reduce((sum, weight, i) => sum + weight * x[i]!, 0) / total
  const spread = weights.reduce((sum, weight, i) => sum + weight * (x[i]! - centre) ** 2, 0)
  const isLevel = degree === 0 || Math.sqrt(spread / total) <= 0.001 * (values.length - 1)
  const shares = weights.map((weight, i) => {
    const level = weight / total
    return isLevel ? level : level + ((at - centre) * weight * (x[i]! - centre)) / spread
  })
  return { from, shares }
}

function shareOf({ from, shares }: SmootherRow, year: number): number {
  return shares[year - from] ?? 0
}

/** The nearest year that has a figure, the earlier on a tie. */
function nearest(own: readonly Value[], year: number): number | null {
  for (let distance = 1; distance < own.length; distance++) {
    for (const near of [year - distance, year + distance]) {
      if ((own[near] ?? null) !== null) return near
    }
  }
  return null
}
