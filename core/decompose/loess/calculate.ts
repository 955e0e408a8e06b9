import { MODEL, type Model } from '../../model'
import type { Extent } from '../../work/extent'
import { requireBounded } from '../../work/requireBounded'
import type { Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import { mean } from '../../statistics/average'
import { figure } from '../../words/figure'
import { partsOf, without, type Decomposed, type SeasonalIndex } from '../parts'
import { requireEverySeason, requirePositive, requireTwoYears } from '../requirements'
import type { LoessOptions } from './options'
import { costsOf, type SmootherCost } from '../stl/smootherCost'
import { stepsOfPasses } from '../stl/steps'
import { stl, type LastPass } from '../stl/stl'
import { stlParameters, type StlParameters } from '../stl/windows'

/** What a decomposition by loess finds beside the parts. One entry a period in every list. */
export interface LoessTaken {
  readonly by: 'stl'
  readonly seasonalIrregular: readonly Value[]
  /** How far the last run believed each period: 1 fully, 0 not at all, or missing, or left out. */
  readonly weights: readonly number[]
  /** The last inner pass, on the decomposed scale: logarithms for a multiplicative model. */
  readonly lastPass: LastPass
  /** Whether a window had lost all its weight, and the series' own value stood in. */
  readonly hadEmptyWindow: boolean
}

/** Decomposes a stretch by loess with complete options. @see decomposeByLoess */
export function decomposeLoess(
  stretch: Stretch,
  options: LoessOptions,
  leftOut: ReadonlySet<number>,
): Decomposed<LoessTaken> {
  const parameters = stlParameters(options, stretch.values.length, stretch.calendar.seasons)
  return decomposeByLoess(stretch, options.model, parameters, leftOut)
}

/**
 * Decomposes a stretch by loess: as it is for an additive model, in logarithms for a multiplicative one.
 *
 * The season may change over the years, so the index of a season is that of its last year, which is what a
 * forecast repeats, and its raw index the mean over the years. A period that is left out is fitted as if it
 * were missing; its irregular says how far it stands off.
 *
 * @param stretch values, seasons and names of the periods
 * @param model additive y = T + S + I, or multiplicative y = T·S·I with every value above 0
 * @param parameters see {@link StlParameters}
 * @param leftOut time codes left out of the fit
 * @throws Refusal below two years, for a season without any value, and for a value not above 0 in a
 *   multiplicative model
 * @see stl
 */
export function decomposeByLoess(
  stretch: Stretch,
  model: Model,
  parameters: StlParameters,
  leftOut: ReadonlySet<number> = new Set(),
): Decomposed<LoessTaken> {
  requireTwoYears(stretch)
  requireEndingSoon(stretch, parameters)
  if (model === 'multiplicative') requirePositive(stretch)
  const { values, firstT, calendar } = stretch
  const { toSum, fromSum } = MODEL[model]
  const fitted = values.map((value, i) => (leftOut.has(firstT + i) ? null : value))
  requireEverySeason(stretch, fitted)

  const parts = stl(
    fitted.map((value) => (value === null ? null : toSum(value))),
    calendar.seasons,
    parameters,
  )
  const index = parts.seasonal.map(fromSum)
  const trendCycle = parts.trend.map(fromSum)
  const seasonalIrregular = without(values, trendCycle, model)
  const costs = costsOf(stretch, fitted, parameters)
  const season = {
    seasonalIrregular,
    indices: indicesOf(stretch, fitted, index, costs),
    // The sum over the seasons is fixed, as that of averaged indices is.
    cost: (calendar.seasons - 1) * mean(costs.map(({ trace }) => trace))!,
  }
  return {
    ...partsOf(values, model, { trendCycle, index, season }),
    taken: {
      by: 'stl',
      seasonalIrregular,
      weights: parts.weights,
      lastPass: parts.lastPass,
      hadEmptyWindow: parts.hadEmptyWindow,
    },
  }
}

/** About how many multiplications the passes take. */
export function stepsOfLoess(options: LoessOptions, extent: Extent): number {
  return stepsOfPasses(stlParameters(options, extent.periods, extent.seasons), extent)
}

/** @throws Refusal for windows that would be fitted at every period of a long series for minutes */
function requireEndingSoon({ values, calendar }: Stretch, parameters: StlParameters): void {
  const n = values.length
  const { windows, inner, outer } = parameters
  const { seasonal, trend, lowPass } = windows
  requireBounded(
    stepsOfPasses(parameters, { periods: n, seasons: calendar.seasons }),
    `Windows of ${figure(seasonal)}, ${figure(trend)} and ${figure(lowPass)} over ${figure(n)} periods, ${figure(inner * (outer + 1))} times,`,
    'Take smaller windows, fewer passes, or a shorter span',
    'decompose.trendWindow',
  )
}

/** One index a season: that of its last year; raw, the mean over the years. */
function indicesOf(
  { calendar, seasonOf }: Stretch,
  fitted: readonly Value[],
  index: readonly number[],
  costs: readonly SmootherCost[],
): SeasonalIndex[] {
  return Array.from({ length: calendar.seasons }, (_, k) => {
    const own = index.filter((_, i) => seasonOf[i] === k + 1)
    const counted = fitted.filter((value, i) => value !== null && seasonOf[i] === k + 1)
    const { uncertainty } = costs[k]!
    return {
      ...{ season: k + 1, count: counted.length, raw: mean(own)!, index: own.at(-1)! },
      uncertainty,
    }
  })
}
