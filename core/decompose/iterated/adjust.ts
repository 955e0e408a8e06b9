import type { Model } from '../../model'
import type { Value } from '../../series/series'
import { centredAverage } from '../../smoothing/movingAverage'
import { extremesOf, replaced, type ExtremeLimits, type Extremes } from './extremes'
import { frameOf, less, lessAll, type Frame } from './frame'
import { chooseFilter, type FilterChoice } from './movingRatio'
import type { Adjustable, IteratedOptions } from './adjustable'
import { requireAdjustable } from './requirements'
import { seasonalStep, type SeasonalStep } from './seasonalStep'
import type { SeasonalFilterName } from './seasonalFilters'
import { trendStep, type IrregularToTrend, type TrendStepName } from './trendStep'

type Listed = readonly Value[]

/** The first round: the series as it came. */
export interface Round1 {
  readonly trend1: Listed
  readonly si1: Listed
  readonly seasonProvisional1: Listed
  readonly weight1: Listed
  readonly sigma1: Extremes['sigma']
  readonly si1Replaced: Listed
  readonly season1: Listed
  readonly adjusted1: Listed
  readonly trend2: Listed
  readonly si2: Listed
  readonly seasonProvisional2: Listed
  readonly weight2: Listed
  readonly sigma2: Extremes['sigma']
  readonly si2Replaced: Listed
  readonly season2: Listed
  readonly adjusted2: Listed
  readonly irregular: Listed
  readonly weight: readonly number[]
  readonly sigma: Extremes['sigma']
  readonly correction: Listed
  readonly modified: readonly number[]
}

/** The second: the same with extremes taken back; its weights are the final ones. */
export type Round2 = Pick<
  Round1,
  | 'trend1'
  | 'si1'
  | 'season1'
  | 'adjusted1'
  | 'trend2'
  | 'si2'
  | 'season2'
  | 'adjusted2'
  | 'irregular'
  | 'weight'
  | 'sigma'
  | 'correction'
  | 'modified'
>

/** The third: the components. */
export interface Round3 {
  readonly trend1: Listed
  readonly si1: Listed
  readonly season1: Listed
  readonly adjusted1: Listed
  readonly trend2: Listed
  readonly siUnmodified: readonly number[]
  readonly si2: readonly number[]
  readonly season2: readonly number[]
  readonly adjusted: readonly number[]
  readonly adjustedModified: readonly number[]
  readonly trend: readonly number[]
  readonly irregular: readonly number[]
}

/** Every step of the procedure, one entry a period, what was appended included. */
export interface Adjusted {
  readonly frame: Frame
  readonly y: readonly number[]
  readonly rounds: { readonly round1: Round1; readonly round2: Round2; readonly round3: Round3 }
  /** The filter of each seasonal step: `round1.1`, `round1.2` … */
  readonly used: Readonly<Record<`round${1 | 2 | 3}.${1 | 2}`, SeasonalFilterName>>
  readonly ic: Readonly<Record<TrendStepName, IrregularToTrend>>
  readonly filterChoice: FilterChoice
  /** Seasonal factors of the year behind the last value that came. */
  readonly seasonAhead: readonly number[]
}

/** Below so many years nothing is assumed to move. */
const SHORT_YEARS = 5

/**
 * Seasonal adjustment by moving averages in three rounds: a trend, the season beside it, and what is left; extremes of that are
 * taken back, and all of it is done again.
 *
 * @throws Refusal naming the period or option: other than months or quarters, fewer than three years, a missing value, a value not
 *   above 0 for a multiplicative model, an extension of more than a year, limits or filters that are none
 * @see Shiskin, J., Young, A. H. & Musgrave, J. C. (1967), Bureau of the Census Technical Paper 15
 * @see Ladiray, D. & Quenneville, B. (2001), Seasonal Adjustment with Moving Averages
 */
export function adjust(series: Adjustable, model: Model, options: IteratedOptions): Adjusted {
  const values = requireAdjustable(series, model, options)
  const { seasons, extension = [] } = series
  const frame = frameOf(model, { ...series, values })
  const y = [...values, ...extension]
  const isShort = values.length < SHORT_YEARS * seasons
  const first = isShort || options.seasonal === 'stable' ? 'stable' : '3x3'
  const second = options.seasonal ?? (isShort ? 'stable' : '3x5')
  const steps = { frame, y, first, second, options } as const
  const one = firstRound(steps)
  const two = secondRound(steps, one.round.modified)
  const three = thirdRound(steps, two.round.modified, isShort)
  return {
    ...{ frame, y },
    rounds: { round1: one.round, round2: two.round, round3: three.round },
    used: {
      ...{ 'round1.1': one.used[0], 'round1.2': one.used[1] },
      ...{ 'round2.1': two.used[0], 'round2.2': two.used[1] },
      ...{ 'round3.1': three.used[0], 'round3.2': three.used[1] },
    },
    ic: { round1: one.ic, round2: two.ic, round3: three.ic, final: three.icFinal },
    filterChoice: three.filterChoice,
    seasonAhead: ahead(frame, three.round.season2),
  }
}

interface Steps {
  readonly frame: Frame
  readonly y: readonly number[]
  readonly first: SeasonalFilterName
  readonly second: SeasonalFilterName
  readonly options: IteratedOptions
}

type Used = readonly [SeasonalFilterName, SeasonalFilterName]

function firstRound({ frame, y, first, second, options }: Steps) {
  const { limits, henderson } = options
  // Steps 1 to 6: a season beside an average that no season comes through.
  const trend1 = centredAverage(y, frame.seasons)
  const si1 = less(frame, y, trend1)
  const provisional1 = seasonalStep(frame, si1, first)
  const extremes1 = extremesOf(frame, less(frame, si1, provisional1.season), limits)
  const si1Replaced = replaced(frame, si1, extremes1.weight)
  const seasonal1 = seasonalStep(frame, si1Replaced, first)
  // Steps 7 to 11: the same beside a trend that reaches the ends.
  const adjusted1 = lessAll(frame, y, seasonal1.season)
  const { trend: trend2, ic } = trendStep(frame, adjusted1, 'round1', henderson)
  const si2 = lessAll(frame, y, trend2)
  const provisional2 = seasonalStep(frame, si2, second)
  const extremes2 = extremesOf(frame, lessAll(frame, si2, provisional2.season), limits)
  const si2Replaced = replaced(frame, si2, extremes2.weight)
  const seasonal2 = seasonalStep(frame, si2Replaced, second)
  // Steps 12 to 16: what is left, and the series without its extremes.
  const adjusted2 = lessAll(frame, y, seasonal2.season)
  const round: Round1 = {
    ...{ trend1, si1, si1Replaced, adjusted1, trend2, si2, si2Replaced, adjusted2 },
    ...{ seasonProvisional1: provisional1.season, season1: seasonal1.season },
    ...{ seasonProvisional2: provisional2.season, season2: seasonal2.season },
    ...{ weight1: extremes1.weight, sigma1: extremes1.sigma },
    ...{ weight2: extremes2.weight, sigma2: extremes2.sigma },
    ...corrected(frame, y, lessAll(frame, adjusted2, trend2), limits),
  }
  return { round, ic, used: [seasonal1.used, seasonal2.used] as Used }
}

/** The irregular with its extremes, and the series less what is not believed of them. */
function corrected(
  frame: Frame,
  y: readonly number[],
  irregular: readonly number[],
  limits: ExtremeLimits,
) {
  const { sigma, weight } = extremesOf(frame, irregular, limits)
  const correction = irregular.map((own, i) =>
    frame.model === 'multiplicative' ? own / (1 + weight[i]! * (own - 1)) : own * (1 - weight[i]!),
  )
  return { irregular, sigma, weight, correction, modified: lessAll(frame, y, correction) }
}

/** The steps that the second and the third round have in common, on a series without its extremes. */
function beginning({ frame, first, options }: Steps, y: readonly number[], step: TrendStepName) {
  const trend1 = centredAverage(y, frame.seasons)
  const si1 = less(frame, y, trend1)
  const { season: season1, used } = seasonalStep(frame, si1, first)
  const adjusted1 = lessAll(frame, y, season1)
  const { trend: trend2, ic } = trendStep(frame, adjusted1, step, options.henderson)
  return { trend1, si1, season1, adjusted1, trend2, si2: lessAll(frame, y, trend2), used, ic }
}

function secondRound(steps: Steps, modified: readonly number[]) {
  const { frame, y, second, options } = steps
  const { used, ic, ...begun } = beginning(steps, modified, 'round2')
  const seasonal = seasonalStep(frame, begun.si2, second)
  // The series as it came again, so that what is left shows its extremes.
  const adjusted2 = lessAll(frame, y, seasonal.season)
  const round: Round2 = {
    ...begun,
    ...{ season2: seasonal.season, adjusted2 },
    ...corrected(frame, y, lessAll(frame, adjusted2, begun.trend2), options.limits),
  }
  return { round, ic, used: [used, seasonal.used] as Used }
}

function thirdRound(steps: Steps, modified: readonly number[], isShort: boolean) {
  const { frame, y, options } = steps
  const { used, ic, ...begun } = beginning(steps, modified, 'round3')
  const filterChoice = chooseFilter(frame, begun.si2)
  const asked = options.seasonal ?? (isShort ? 'stable' : filterChoice.choice)
  const seasonal: SeasonalStep = seasonalStep(frame, begun.si2, asked)
  const adjusted = lessAll(frame, y, seasonal.season)
  const adjustedModified = lessAll(frame, modified, seasonal.season)
  const { trend, ic: icFinal } = trendStep(frame, adjustedModified, 'final', options.henderson)
  const round: Round3 = {
    ...begun,
    ...{ siUnmodified: lessAll(frame, y, begun.trend2), season2: seasonal.season },
    ...{ adjusted, adjustedModified, trend, irregular: lessAll(frame, adjusted, trend) },
  }
  return { round, ic, icFinal, filterChoice, used: [used, seasonal.used] as Used }
}

/** Factors of the year that comes: those of what was appended, then carried on by half of the last change. */
function ahead({ n, seasons }: Frame, season: readonly number[]): number[] {
  const all = [...season]
  for (let i = all.length; i < n + seasons; i++) {
    all.push(all[i - seasons]! + 0.5 * (all[i - seasons]! - all[i - 2 * seasons]!))
  }
  return all.slice(n, n + seasons)
}
