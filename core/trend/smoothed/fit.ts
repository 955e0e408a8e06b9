import type { SmoothingForm, Weights } from '../../stateSpace/forms'
import { initialByRule } from '../../stateSpace/initial'
import { projected, smoothed, type Smoothed } from '../../stateSpace/recursion'
import { chooseSmoothing, type ChosenSmoothing } from '../../stateSpace/search'
import { selectForm, type Contender } from '../../stateSpace/selection'
import { carriedOver, varianceFactors } from '../../stateSpace/limits'
import { Refusal, refusedUnder } from '../../refusal'
import type { Value } from '../../series/series'
import type { Missed, TrendThrough } from '../trend'
import type { TrendSmoothing } from './slope'

/** A trend that follows the latest level and slope of the values. */
export interface SmoothedTrend extends TrendThrough {
  /** Time code of the last period smoothed. */
  readonly to: number
  readonly chosen: ChosenSmoothing
  /** Every form that was to be chosen from; null where it was given. */
  readonly table: readonly Contender[] | null
  readonly rows: Smoothed
  /** In the past what the periods before say of a period, ahead what the last level and slope say. */
  at(t: number): number
}

/** Those that are chosen from. */
export const FORMS = (['none', 'additive', 'damped'] as const).map(
  (trend) => ({ trend, season: 'none', error: 'additive' }) as const satisfies SmoothingForm,
)
/** Periods ahead that variances are worked out for at once. */
const AT_ONCE = 24

/**
 * Smooths values that have no season: level and slope follow them, the newest counting most.
 *
 * @param values one a period, null = missing
 * @param firstT time code of the first entry
 * @param last periods at the end to smooth, missing ones included; all when left out
 * @param seasons m of the series: where the first level and slope are taken from goes by it
 * @throws Refusal with fewer than two values near the start, and where no form can be chosen
 */
export function smoothTrend(
  values: readonly Value[],
  firstT: number,
  {
    smoothing,
    nearWeights,
    last = Infinity,
    seasons,
  }: {
    readonly smoothing: TrendSmoothing
    readonly nearWeights?: Weights | undefined
    readonly last?: number | undefined
    readonly seasons: number
  },
): SmoothedTrend {
  const skipped = Math.max(0, values.length - last)
  const used = values.slice(skipped)
  const from = firstT + skipped
  const to = firstT + values.length - 1
  const { chosen, table } = refusedUnder('trend', () =>
    choose(used, smoothing, seasons, nearWeights),
  )
  const { form, weights, initial } = chosen
  const rows = smoothed(used, form, weights, initial)
  const missingAtEnd = used.length - 1 - used.findLastIndex((value) => value !== null)
  let factors: readonly number[] = []
  /** Variance of a forecast by formula, as a multiple of σ²; from the period after the last on. */
  const factorAt = (t: number): number => {
    if (t - to > factors.length) {
      const count = Math.max(t - to, factors.length + AT_ONCE)
      const carried = carriedOver(form, weights, seasons, count + missingAtEnd - 1)
      factors = varianceFactors(carried, missingAtEnd, count)
    }
    return factors[t - to - 1]!
  }
  const at = (t: number): number =>
    t <= to ? rows.fitted[t - from]! : projected(form, rows.end, weights.phi ?? 1, t - to).at(-1)!
  return {
    ...{ from, to, chosen, table, rows },
    estimated: chosen.k,
    residualsInTime: rows.residual,
    spread: {
      ofLog: false,
      // k counts the variance too: N − (k − 1).
      df: chosen.observed - chosen.k + 1,
      sse: chosen.sse,
      missed: () =>
        rows.residual.flatMap((residual, i): Missed[] =>
          residual === null ? [] : [[residual, rows.fitted[i]!]],
        ),
      centreAt: at,
      leverageAt: (t) => factorAt(t) - 1,
    },
    at,
  }
}

function choose(
  values: readonly Value[],
  smoothing: TrendSmoothing,
  seasons: number,
  near: Weights | undefined,
): { chosen: ChosenSmoothing; table: readonly Contender[] | null } {
  if (smoothing === 'chosen') {
    const { winner, table } = selectForm(values, 1, seasons, FORMS)
    if (winner) return { chosen: winner, table }
    const [first] = table
    const because = first && 'because' in first ? ` ${first.because}` : ''
    throw new Refusal(
      `The deseasonalized series cannot be smoothed.${because} Take a straight line.`,
      'smoothing',
    )
  }
  const form = FORMS.find(({ trend }) => trend === smoothing)!
  const rule = initialByRule(values, form, 1, seasons)
  const wished = { weights: {}, initial: 'chosen', near } as const
  return { chosen: chooseSmoothing(values, form, seasons, rule, wished), table: null }
}
