import { ARIMA_FORMS } from './arima/form'
import type { TrendForm } from './form'
import { FITTED_FORMS } from './leastSquares/forms'
import { SMOOTHED_FORMS } from './smoothed/form'

const ALL = { ...FITTED_FORMS, ...SMOOTHED_FORMS, ...ARIMA_FORMS } as const
export type TrendFormName = keyof typeof ALL

/** The forms that a trend can have, in the order in which they are offered. */
export const TREND_FORMS: Readonly<Record<TrendFormName, TrendForm>> = ALL
export const TREND_FORM_NAMES = Object.keys(ALL) as TrendFormName[]
