import { axisOf } from '../../calendar/axis'
import type { ArimaFigures } from '../../arima/model'
import { MODEL, type Model } from '../../model'
import type { DesignColumn } from '../../regression/design'
import { divisionFactor } from '../../regression/regressors/calendar/days'
import type { Value } from '../../series/series'
import { groupOf, type Effect, type EffectFacts } from './effects'
import type { CountedAlike, Leftover } from './estimate'
import type { JointF } from './jointTest'

/** A group of effects as it was judged beside the others. */
export interface GroupReport {
  readonly name: string
  /** How a method calls it: `tradingDay`, `length`, `easter`, or the name of a list. */
  readonly key: string
  /** `trading day`, `Easter`, the name of a list. */
  readonly says: string
  readonly joint: JointF
  /** Part of what season and trend leave that it explains beside the others, from 0 to 1. */
  readonly share: number
  readonly aiccWithout: Value
  /** Sum of squared residuals without it; null with the errors of a model. */
  readonly sseWithout: Value
  readonly helps: boolean
  readonly isKept: boolean
}

/** What the calendar does to the values: plain data, from which its part of any period follows. */
export interface CalendarTaken {
  /** Those that are taken out, in the order of their columns. */
  readonly effects: readonly Effect[]
  readonly facts: EffectFacts
  readonly model: Model
  readonly divides: boolean
  /** One a column, on the scale of the regression. */
  readonly coefficients: readonly number[]
  /** Of the coefficients. */
  readonly covariance: readonly (readonly number[])[]
  /** Time codes that took no part in the estimation. */
  readonly leftOut: readonly number[]
  /** Place of the first of them among the coefficients of the regression. */
  readonly at: number
  readonly groups: readonly GroupReport[]
  /** null where the covariance is that of independent errors, or of a model. */
  readonly alike: CountedAlike | null
  /** The model of what the effects leave, and the same effects with independent errors; null where they are that already. */
  readonly arima: {
    readonly model: ArimaFigures
    readonly independent: Pick<CalendarTaken, 'coefficients' | 'covariance'>
  } | null
  readonly aicc: { readonly withAll: Value; readonly withoutAny: Value }
  /** What is left over with all effects that were judged, and with those that are taken out; null with the errors of a model. */
  readonly leftover: { readonly withAll: Leftover; readonly withKept: Leftover } | null
}

/** The columns of the effects that are taken out, made once for what was found. */
const COLUMNS = new WeakMap<CalendarTaken, readonly DesignColumn[]>()
export function columnsOfTaken(taken: CalendarTaken): readonly DesignColumn[] {
  const known =
    COLUMNS.get(taken) ??
    taken.effects.flatMap((effect) => groupOf(effect, taken.facts, 'calendar').columns)
  COLUMNS.set(taken, known)
  return known
}

/** What the calendar makes of a period: a factor, or an amount in units of the series. */
export function componentAt(taken: CalendarTaken, t: number): number {
  const { coefficients, model, divides, facts } = taken
  const sum = columnsOfTaken(taken).reduce((all, { at }, j) => all + coefficients[j]! * at(t), 0)
  return MODEL[model].fromSum(sum) * (divides ? divisionFactor(axisOf(facts), t) : 1)
}

/** Standard error of that: a share of it, or an amount. */
export function errorAt(taken: CalendarTaken, t: number): number {
  return Math.sqrt(
    varianceOfSum(
      taken,
      columnsOfTaken(taken).map(({ at }) => at(t)),
    ),
  )
}

/**
 * Variance of a weighted sum of the coefficients, wᵀCw, on the scale of the regression.
 *
 * @param weights one a column
 */
export function varianceOfSum(
  { covariance }: Pick<CalendarTaken, 'covariance'>,
  weights: readonly number[],
): number {
  const variance = weights.reduce(
    (sum, own, i) =>
      sum + own * covariance[i]!.reduce((all, share, j) => all + share * weights[j]!, 0),
    0,
  )
  // Rounding can leave a variance of nothing below 0.
  return Math.max(0, variance)
}

/**
 * How many times the variance of a weighted sum that independent errors would have is what errors that are alike give it.
 *
 * @param weights one a column
 * @returns null where errors are independent, or those of a model, and where there is no variance
 */
export function timesByLikeness(
  { covariance, alike }: Pick<CalendarTaken, 'covariance' | 'alike'>,
  weights: readonly number[],
): number | null {
  if (!alike) return null
  const independent = varianceOfSum({ covariance: alike.independent }, weights)
  return independent > 0 ? varianceOfSum({ covariance }, weights) / independent : null
}

/** How that number is called in a working. */
export const BY_LIKENESS = 'what errors that are alike make of it'
