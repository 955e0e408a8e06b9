import { MODEL, type Model } from '../model'
import type { Value } from '../series/series'

/** The index of one season, before and after adjustment. */
export interface SeasonalIndex {
  /** 1..m */
  readonly season: number
  /** Values of the series behind the index; null for one that is given. */
  readonly count: number | null
  readonly raw: number
  /** What a forecast takes. */
  readonly index: number
  /** Variance of the index as a share of that of a single value: 1 ÷ count for an average, 0 for what is given. */
  readonly uncertainty: number
}

/** What a decomposition says of the season. */
export interface SeasonParts {
  /** The value without its trend-cycle; undefined where there is none. */
  readonly seasonalIrregular: readonly Value[]
  /** Season 1 first. */
  readonly indices: readonly SeasonalIndex[]
  /** Degrees of freedom that the indices cost; by loess as many as its smoother takes, not a whole number. */
  readonly cost: number
  /** What a forecast takes at a time code, where that is not the index of its season alone. */
  readonly at?: (t: number) => Pick<SeasonalIndex, 'index' | 'uncertainty'>
}

/** A series taken apart, whichever way. Every list has one entry a period of the stretch. */
export interface Parts {
  readonly trendCycle: readonly Value[]
  /** The index of each period: that of its season, or its own. */
  readonly index: readonly number[]
  readonly deseasonalized: readonly Value[]
  readonly irregular: readonly Value[]
  readonly recomposed: readonly Value[]
  /** null when the series is taken to have no season. */
  readonly season: SeasonParts | null
}

/** A decomposition with what only its way has. */
export interface Decomposed<Taken> extends Parts {
  readonly taken: Taken
}

/**
 * The values without a component: divided by it, or less it; undefined where either is.
 */
export function without(
  values: readonly Value[],
  component: readonly Value[],
  model: Model,
): Value[] {
  const { takeOut } = MODEL[model]
  return values.map((value, i) => {
    const part = component[i]!
    return value === null || part === null ? null : takeOut(value, part)
  })
}

/** Trend-cycle and index put together again. */
export function recompose(
  trendCycle: readonly Value[],
  index: readonly number[],
  model: Model,
): Value[] {
  const { putBack } = MODEL[model]
  return trendCycle.map((level, i) => (level === null ? null : putBack(level, index[i]!)))
}

/**
 * What follows from trend-cycle and index: deseasonalized y/S, recomposed T·S, irregular y/(T·S); or with −
 * and + for the additive model.
 *
 * @param values one a period, in units of the series
 * @example of 46 with a trend-cycle of 59.5 and an index of 0.783: 58.7, 46.6 and 0.987
 */
export function partsOf(
  values: readonly Value[],
  model: Model,
  parts: Pick<Parts, 'trendCycle' | 'index' | 'season'>,
): Parts {
  const recomposed = recompose(parts.trendCycle, parts.index, model)
  return {
    ...parts,
    deseasonalized: without(values, parts.index, model),
    recomposed,
    irregular: without(values, recomposed, model),
  }
}
