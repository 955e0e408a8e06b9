import type { Value } from '../../series/series'
import { mean } from '../../statistics/average'
import { centredAverage } from '../../smoothing/movingAverage'
import { weighted } from './hendersonFilter'
import { seasonAt, spanOf, type Frame } from './frame'
import { fittingFilter, SEASONAL_FILTER, type SeasonalFilterName } from './seasonalFilters'

/** Seasonal factors at every entry, and the filter that there were years for. */
export interface SeasonalStep {
  readonly season: readonly number[]
  readonly used: SeasonalFilterName
}

/**
 * Seasonal factors from a seasonal-irregular: each season filtered along its years, then centred, so that every year averages
 * about 1 (sums to about 0).
 *
 * @param si on consecutive entries, undefined before and behind them; there the factors of a year later, or earlier, stand
 * @param asked the filter; a shorter one where the years are too few
 */
export function seasonalStep(
  frame: Frame,
  si: readonly Value[],
  asked: SeasonalFilterName,
): SeasonalStep {
  const { seasons, terms } = frame
  const { a, b } = spanOf(si)
  const fewest = Math.min(...seasonsOf(frame, si).map((group) => group.length))
  const used = fittingFilter(asked, fewest)
  const raw = rawFactors(frame, si, used)
  const half = seasons / 2
  const centres = centredAverage(raw.slice(a, b + 1), seasons)
  const season = Array<number>(si.length)
  for (let i = a; i <= b; i++) {
    const inside = Math.min(Math.max(i - a, half), b - a - half)
    season[i] = terms.takeOut(raw[i]!, centres[inside]!)
  }
  for (let i = a - 1; i >= 0; i--) season[i] = season[i + seasons]!
  for (let i = b + 1; i < si.length; i++) season[i] = season[i - seasons]!
  return { season, used }
}

/** Each season filtered along its years, before it is centred. */
export function rawFactors(
  frame: Pick<Frame, 'seasons' | 'start'>,
  si: readonly Value[],
  used: SeasonalFilterName,
): Value[] {
  const raw = Array<Value>(si.length).fill(null)
  for (const group of seasonsOf(frame, si)) {
    const own = along(
      group.map((i) => si[i]!),
      used,
    )
    group.forEach((i, j) => (raw[i] = own[j]!))
  }
  return raw
}

/** Entries of each season that have a value, in order of years; season 1 first. */
export function seasonsOf(
  frame: Pick<Frame, 'seasons' | 'start'>,
  values: readonly Value[],
): number[][] {
  const groups = Array.from({ length: frame.seasons }, (): number[] => [])
  values.forEach((value, i) => {
    if (value !== null) groups[seasonAt(frame, i) - 1]!.push(i)
  })
  return groups
}

/** The weights at a place of a list, and where in it the first of them lies; the last of them one step further each. */
export interface WeightsAt {
  readonly from: number
  readonly step: 1 | -1
  readonly weights: readonly number[]
}

/** The weights of a filter at one of so many years. */
export function seasonalWeightsAt(
  name: Exclude<SeasonalFilterName, 'stable'>,
  place: number,
  years: number,
): WeightsAt {
  const { half, symmetric, ends } = SEASONAL_FILTER[name]
  if (place < half) return { from: place + half, step: -1, weights: ends[place]! }
  const later = years - 1 - place
  return { from: place - half, step: 1, weights: later < half ? ends[later]! : symmetric }
}

/** One season's values filtered along the years. */
function along(values: readonly number[], name: SeasonalFilterName): number[] {
  if (name === 'stable') {
    const centre = mean(values)!
    return values.map(() => centre)
  }
  return values.map((_value, place) => {
    const { from, step, weights } = seasonalWeightsAt(name, place, values.length)
    return weighted(values, from, weights, step)
  })
}
