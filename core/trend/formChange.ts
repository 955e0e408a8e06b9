import type { MethodChange } from '../finding'
import type { FittedFormName } from './forms'
import type { BreakAt } from './options'
import type { TrendSmoothing } from './smoothed'

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
