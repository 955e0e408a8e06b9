import { trendLine } from '../../trend/trendLine'
import { Refusal } from '../../refusal'
import type { Value } from '../../series/series'
import { mean } from '../../statistics/average'
import type { Stretch } from '../../series/stretch'
import type { Decomposition } from '../decomposition'
import { putBack, takeOut, type Model } from '../../model'
import { requirePositive, requireTwoYears } from '../requirements'
import { stl, type LastPass } from './stl/stl'
import type { StlParameters } from './stl/windows'
import { strengths, type Strength } from '../../seasonality/strength'

/** A decomposition by robust loess, in the units of the series: factors for a multiplicative model. */
export interface LoessDecomposition extends Decomposition {
  readonly loess: LoessDetail
}

/** What only a decomposition by loess has. One entry a period in every list. */
export interface LoessDetail {
  readonly parameters: StlParameters
  /** How far the last run believed each period: 1 fully, 0 not at all, or missing, or left out. */
  readonly weights: readonly number[]
  /** Over every period that was fitted to, whatever its weight. */
  readonly strength: Strength
  /** The last inner pass, on the decomposed scale: logarithms for a multiplicative model. */
  readonly lastPass: LastPass
  /** Whether a window had lost all its weight, and the series' own value stood in. */
  readonly hadEmptyWindow: boolean
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
 * @param exclude time codes left out of the fit
 * @throws Refusal below two years, for a season without any value, and for a value not above 0 in a
 *   multiplicative model
 * @see stl
 */
export function decomposeByLoess(
  stretch: Stretch,
  model: Model,
  parameters: StlParameters,
  exclude: ReadonlySet<number> = new Set(),
): LoessDecomposition {
  requireTwoYears(stretch)
  if (model === 'multiplicative') requirePositive(stretch)
  const { values, firstT, calendar } = stretch
  const fitted = values.map((value, i) => (exclude.has(firstT + i) ? null : value))
  requireEverySeason(stretch, fitted)

  const scale = model === 'multiplicative' ? Math.log : (value: number) => value
  const back = model === 'multiplicative' ? Math.exp : (value: number) => value
  const parts = stl(
    fitted.map((value) => (value === null ? null : scale(value))),
    calendar.seasons,
    parameters,
  )
  const index = parts.seasonal.map(back)
  const trendCycle = parts.trend.map(back)
  const without = (component: readonly number[]) =>
    values.map((value, i) => (value === null ? null : takeOut(model, value, component[i]!)))
  const deseasonalized = without(index)
  const recomposed = trendCycle.map((trend, i) => putBack(model, trend, index[i]!))
  return {
    movingAverage: null,
    trendCycle,
    seasonalIrregular: without(trendCycle),
    index,
    deseasonalized,
    irregular: without(recomposed),
    recomposed,
    straightTrend: trendLine(deseasonalized, firstT),
    indices: {
      seasons: Array.from({ length: calendar.seasons }, (_, k) => {
        const own = index.filter((_, i) => stretch.seasonOf[i] === k + 1)
        const counted = fitted.filter((value, i) => value !== null && stretch.seasonOf[i] === k + 1)
        return { season: k + 1, count: counted.length, raw: mean(own)!, index: own.at(-1)! }
      }),
      rawIndexMean: null,
      untrimmed: [],
    },
    trendOfOriginal: null,
    seasonMeans: null,
    loess: {
      parameters,
      weights: parts.weights,
      strength: strengths(parts.trend, parts.seasonal, parts.remainder),
      lastPass: parts.lastPass,
      hadEmptyWindow: parts.hadEmptyWindow,
    },
  }
}

/** @throws Refusal naming every season without a value to fit to */
function requireEverySeason({ calendar, seasonOf, seasonName }: Stretch, values: readonly Value[]) {
  const present = new Set(seasonOf.filter((_, i) => values[i] !== null))
  const empty = Array.from({ length: calendar.seasons }, (_, k) => k + 1).filter(
    (season) => !present.has(season),
  )
  if (empty.length === 0) return
  throw new Refusal(
    `No value is left to fit to for ${empty.map(seasonName).join(', ')}: every season needs at least one that is neither missing nor left out.`,
    'decompose.exclude',
    { seasons: empty },
  )
}
