import type { MethodAction, MethodChange } from '../finding'
import { TREND_FORMS, type TrendFormName } from './forms'
import { BENT, GROWING, STRAIGHT } from './leastSquares/forms'
import type { BreakAt } from './leastSquares/options'
import { SMOOTHED } from './smoothed/form'
import type { TrendSmoothing } from './smoothed/slope'

/** What makes the trend another form; what belongs to other forms is left behind. */
export function formChange(form: TrendFormName): MethodChange {
  return {
    trend: { ...NO_CHOICES, form, ...(TREND_FORMS[form].countsDays ? {} : { time: undefined }) },
    forecast: { backTransform: undefined },
  }
}

/** What makes the trend a line with these breaks. */
export function breakChange(breaks: readonly BreakAt[]): MethodChange {
  return withChoice(BENT, { breaks })
}

/** What makes the trend follow the latest level and slope. */
export function smoothedChange(smoothing?: TrendSmoothing): MethodChange {
  return withChoice(SMOOTHED, { smoothing })
}

const NO_CHOICES = Object.fromEntries(
  Object.values(TREND_FORMS).flatMap(({ choices }) => choices.map(({ key }) => [key, undefined])),
)

function withChoice(form: TrendFormName, choice: object): MethodChange {
  const change = formChange(form)
  return { ...change, trend: { ...(change.trend as object), ...choice } }
}

/** A change of the trend that is fitted to so many of the latest periods; to all where none are named. */
export function withLast(change: MethodChange, last: number | undefined): MethodChange {
  return { ...change, trend: { ...(change.trend as object), last } }
}

/** What makes the trend one straight line. */
export const LINE = formChange(STRAIGHT)

/** The click that makes the trend follow the latest values. */
export const SMOOTH: MethodAction = {
  label: 'Smooth the deseasonalized series',
  change: smoothedChange(),
}

/** The click that makes the trend grow by the same share every period, all of it. */
export const GROW: MethodAction = {
  label: 'Take exponential growth',
  change: withLast(formChange(GROWING), undefined),
}
