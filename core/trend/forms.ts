import { powersOfTime, type DesignCalendar, type DesignColumn } from '../regression/design'
import { breakColumns, type Break } from '../regression/events'
import type { TimeVariable } from '../regression/timeVariable'

/** A form of trend. */
export interface TrendForm {
  /** `line`, to end a phrase with. */
  readonly words: string
  /** `a straight line`, in the sentence. */
  readonly says: string
  readonly means: string
  /** The highest power of time in it; 0 for a level. */
  readonly degree: number
  /** Whether it bends at chosen periods. */
  readonly bends: boolean
  /** Whether it is fitted to ln y, and so works in proportion. */
  readonly ofLog: boolean
  /** Whether it follows the latest values, in place of a least-squares fit to columns of time. */
  readonly smooths: boolean
}

const PLAIN = { bends: false, ofLog: false, smooths: false } as const

/** The forms that a trend can have, in the order in which they are offered. */
export const TREND_FORMS = {
  none: {
    words: 'level',
    says: 'a level',
    means: 'No trend: what comes is the mean of what was.',
    degree: 0,
    ...PLAIN,
  },
  linear: {
    words: 'line',
    says: 'a straight line',
    means: 'The same amount every period.',
    degree: 1,
    ...PLAIN,
  },
  quadratic: {
    words: 'quadratic',
    says: 'a quadratic curve',
    means: 'One bow. It runs away fast beyond the data.',
    degree: 2,
    ...PLAIN,
  },
  cubic: {
    words: 'cubic',
    says: 'a cubic curve',
    means: 'Two bows. It runs away even faster.',
    degree: 3,
    ...PLAIN,
  },
  exponential: {
    words: 'exponential',
    says: 'exponential growth',
    means: 'The same share every period; every value must be above 0.',
    degree: 1,
    bends: false,
    ofLog: true,
    smooths: false,
  },
  breaks: {
    words: 'line with breaks',
    says: 'a line with breaks',
    means: 'Straight pieces that turn, or step, at periods you choose.',
    degree: 1,
    bends: true,
    ofLog: false,
    smooths: false,
  },
  smoothed: {
    words: 'smoothed level',
    says: 'a smoothed level',
    means: 'Level and slope follow the values, the newest counting most.',
    degree: 0,
    bends: false,
    ofLog: false,
    smooths: true,
  },
} as const satisfies Record<string, TrendForm>
export type TrendFormName = keyof typeof TREND_FORMS
export const TREND_FORM_NAMES = Object.keys(TREND_FORMS) as TrendFormName[]

/** The forms that are fitted by least squares to columns of time. */
export type FittedFormName = Exclude<TrendFormName, 'smoothed'>
export const FITTED_FORM_NAMES = TREND_FORM_NAMES.filter(
  (name): name is FittedFormName => !TREND_FORMS[name].smooths,
)

/** The forms that can be taken out of a series by themselves: they need no periods chosen, and are no mere level. */
export const DETREND_FORMS = ['linear', 'quadratic', 'cubic', 'exponential'] as const
export type DetrendForm = (typeof DETREND_FORMS)[number]

/** A form with everything that makes columns of it. */
export interface TrendDesign {
  readonly form: FittedFormName
  readonly time: TimeVariable
  readonly breaks: readonly Break[]
}

/**
 * The columns of a trend beside the constant: powers of time, then bends and steps.
 *
 * @example designOfTrend({ form: 'quadratic', time: TIME_CODE, breaks: [] }, calendar).map(({ name }) => name)
 *   // ['t', 't^2']
 */
export function designOfTrend(
  { form, time, breaks }: TrendDesign,
  { periodLabel }: Pick<DesignCalendar, 'periodLabel'>,
): DesignColumn[] {
  const { degree, bends } = TREND_FORMS[form]
  return [
    ...powersOfTime(degree, time),
    ...(bends ? breaks.flatMap((at) => breakColumns(at, time, periodLabel(at.t))) : []),
  ]
}
