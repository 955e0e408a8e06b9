import { axisOfStretch, type Stretch } from '../../series/stretch'
import { mean } from '../../statistics/average'
import { partsOf, type Decomposed, type SeasonalIndex } from '../parts'
import { refusedAt } from '../../refusal'
import type { Carrier, CarryOn } from '../carryOn'
import { adjust, type Adjusted } from './adjust'
import type { Adjustable, IteratedOptions as Choices } from './adjustable'
import { choicesOf, type IteratedOptions } from './options'
import { requireAdjustable } from './requirements'
import { SEASONAL_FILTER, type SeasonalFilterName } from './seasonalFilters'
import { keepYearlySums, type YearlySums } from './yearlySums'

/** What only iterated averages find: every step of every round. */
export type IteratedTaken = Omit<Adjusted, 'y' | 'frame'> & {
  readonly by: 'iterated'
  readonly frame: Pick<Adjusted['frame'], 'start' | 'seasons'>
  /** Values behind the last that every step worked with; none where nothing was carried on. */
  readonly extension: readonly number[]
  /** null where yearly sums are left as they come. */
  readonly yearly: YearlySums | null
}

/**
 * Decomposes a stretch by averages in three rounds.
 *
 * The season may change over the years; what a forecast takes is the factor of the year ahead.
 *
 * @param carryOn asked where a year of forecast is wanted behind the values
 * @throws Refusal below three years, for a period without a value, for a value not above 0 in a multiplicative model, and for
 *   other seasons than months or quarters
 * @see adjust
 */
export function decomposeIterated(
  stretch: Stretch,
  options: IteratedOptions,
  carryOn: CarryOn,
): Decomposed<IteratedTaken> {
  const { values, calendar } = stretch
  const { model } = options
  const { start } = axisOfStretch(stretch)
  const { seasons } = calendar
  const series = { seasons, start, values, nameOf: stretch.periodOf }
  const choices = choicesOf(options)
  const extension = extensionOf(series, choices, options, (by) =>
    carryOn(stretch, by, model, seasons),
  )
  const { y, frame, ...adjusted } = adjust({ ...series, extension }, model, choices)
  const { round3 } = adjusted.rounds
  const season = {
    seasonalIrregular: round3.siUnmodified.slice(0, values.length),
    ...indicesOf(stretch, adjusted),
  }
  const parts = partsOf(values, model, {
    trendCycle: round3.trend.slice(0, values.length),
    index: round3.season2.slice(0, values.length),
    season,
  })
  const yearly = options.yearlySums ? keepYearlySums(frame, y, round3.adjusted) : null
  return {
    ...parts,
    taken: { by: 'iterated', frame: { start, seasons }, extension, yearly, ...adjusted },
  }
}

/** The year behind the last value, where one is asked for. @throws Refusal of the series itself first, then of its forecast */
function extensionOf(
  series: Adjustable,
  choices: Choices,
  { extend, model }: IteratedOptions,
  carryOn: (by: Carrier) => readonly number[],
): readonly number[] {
  if (!extend) return []
  requireAdjustable(series, model, choices)
  return refusedAt('decompose.extend', 'A year carried on', () => carryOn(extend))
}

/** One index a season: that of the year ahead; raw, the mean over the years. */
function indicesOf(
  { calendar, seasonOf }: Stretch,
  { rounds, used, seasonAhead }: Pick<Adjusted, 'rounds' | 'used' | 'seasonAhead'>,
) {
  const { season2 } = rounds.round3
  const name = used['round3.2']
  const ahead = (season: number) => {
    const apart = (season - seasonOf.at(-1)! - 1 + calendar.seasons) % calendar.seasons
    return seasonAhead[apart]!
  }
  const costs: number[] = []
  const indices = Array.from({ length: calendar.seasons }, (_, k): SeasonalIndex => {
    const own = season2.filter((_factor, i) => seasonOf[i] === k + 1)
    const { trace, uncertainty } = costOf(name, own.length)
    costs.push(trace)
    return {
      ...{ season: k + 1, count: own.length, raw: mean(own)!, index: ahead(k + 1) },
      uncertainty,
    }
  })
  // The sum over the seasons is fixed, as that of averaged indices is.
  return { indices, cost: (calendar.seasons - 1) * mean(costs)! }
}

/** What a seasonal filter costs over so many years, and the variance of its factor of the year ahead, as a share of that of a single value. */
function costOf(name: SeasonalFilterName, years: number): { trace: number; uncertainty: number } {
  if (name === 'stable') return { trace: 1, uncertainty: 1 / years }
  const { half, symmetric, ends } = SEASONAL_FILTER[name]
  const inside = Math.max(0, years - 2 * half)
  // A value counts for itself by the weight in the middle, and towards the ends by that of its own place.
  const trace = inside * symmetric[half]! + 2 * ends.reduce((sum, row) => sum + row[half]!, 0)
  // 1½ times the last factor less ½ that of the year before.
  const [last, before] = [ends[0]!, ends[1] ?? symmetric]
  const weights = Array.from({ length: half + 2 }, (_, j) => {
    const [own, earlier] = [j === 0 ? 0 : last[j - 1]!, before[j] ?? 0]
    return 1.5 * own - 0.5 * earlier
  })
  return { trace, uncertainty: weights.reduce((sum, weight) => sum + weight ** 2, 0) }
}
