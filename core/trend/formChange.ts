import type { MethodAction, MethodChange } from '../finding'
import type { FittedFormName } from './forms'
import type { BreakAt } from './document'
import type { TrendSmoothing } from './smoothed/slope'

/** What makes the trend another form without breaks; what belongs to other forms is left behind. */
export function formChange(form: Exclude<FittedFormName, 'breaks'>): MethodChange {
  return { trend: { ...NOTHING, form }, ...FORECAST }
}

/** What makes the trend a line with these breaks. */
export function breakChange(breaks: readonly BreakAt[]): MethodChange {
  return { trend: { ...NOTHING, form: 'breaks', breaks }, ...FORECAST }
}

/** What makes the trend follow the latest level and slope. */
export function smoothedChange(smoothing?: TrendSmoothing): MethodChange {
  return { trend: { ...NOTHING, form: 'smoothed', smoothing, time: undefined }, ...FORECAST }
}

const NOTHING = { breaks: undefined, smoothing: undefined } as const
const FORECAST = { forecast: { backTransform: undefined } } as const

/** The click that makes the trend follow the latest values. */
export const SMOOTH: MethodAction = {
  label: 'Smooth the deseasonalized series',
  change: smoothedChange(),
}

/** The click that makes the trend grow by the same share every period, all of it. */
export const GROW: MethodAction = {
  label: 'Take exponential growth',
  change: withLast(formChange('exponential'), undefined),
}

/** A change of the trend that is fitted to so many of the latest periods; to all where none are named. */
export function withLast(change: MethodChange, last: number | undefined): MethodChange {
  return { ...change, trend: { ...(change.trend as object), last } }
}
