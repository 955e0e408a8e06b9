import { Refusal } from '../refusal'
import { requireWhole } from '../requireWhole'
import { timeInDays } from '../regression/timeVariable'
import type { TrendDocument, TrendFacts } from './document'
import { TREND_FORMS } from './forms'
import type { FittedTrendOptions } from './leastSquares/options'
import type { SmoothedTrendOptions } from './smoothed/options'
import { trendWayOf } from './ways'

/** The trend, complete. */
export type TrendOptions = FittedTrendOptions | SmoothedTrendOptions

/**
 * Fills in the defaults of a trend: a straight line in the time code through all periods.
 *
 * @throws Refusal for breaks that another form would pass over, for a form with breaks without any, and for what the way of the
 *   form refuses
 */
export function completeTrend(document: TrendDocument, facts: TrendFacts): TrendOptions {
  const { form = 'linear', time, breaks = [], last } = document
  if (last !== undefined) requireWhole(last, 1, Infinity, 'trend.last')
  if (time === 'days') timeInDays(facts.calendar, facts.start)
  const { bends, says } = TREND_FORMS[form]
  if (!bends && breaks.length > 0) {
    throw new Refusal(
      `breaks belong to the trend form "breaks"; this trend is ${says}. Take them out.`,
      'trend.breaks',
    )
  }
  if (bends && breaks.length === 0) {
    throw new Refusal('A trend with breaks needs at least one: name its period.', 'trend.breaks')
  }
  return trendWayOf(form).complete(form, document, facts)
}

/** @throws Refusal for a trend without columns of its own, where a regression needs them */
export function requireFitted(trend: TrendOptions): FittedTrendOptions {
  if (trend.form !== 'smoothed') return trend
  throw new Refusal(
    'A regression has columns for its trend, and a smoothed level has none. Take a straight line, or forecast by decomposition.',
    'trend.form',
  )
}

/** A part of the analysed span that a method is fitted to, to see how it would have done after it. */
export interface TrainingSpan {
  /** Time codes of the first and the last period that the trend is fitted to. */
  readonly from: number
  readonly to: number
  timeCode(code: string): number
}

/** The same trend of a shorter span: breaks without fitted periods on both sides are left behind. */
export function trendWithin(
  { breaks, ...document }: TrendDocument,
  { from, to, timeCode }: TrainingSpan,
): TrendDocument {
  if (!breaks) return document
  const kept = breaks.filter(({ period }) => timeCode(period) > from && timeCode(period) < to)
  return kept.length > 0 ? { ...document, breaks: kept } : { ...document, form: 'linear' }
}
