import { powersOfTime, type DesignCalendar, type DesignColumn } from '../../regression/design'
import { breakColumns, type Break } from '../../regression/regressors/events'
import type { TimeVariable } from '../../regression/timeVariable'
import type { TrendForm } from '../form'

/** A form that is fitted by least squares to columns of time. */
export interface FittedForm extends TrendForm {
  /** The highest power of time in it; 0 for a level. */
  readonly degree: number
  /** Whether it bends at chosen periods. */
  readonly bends: boolean
}

const FITTED = { ofLog: false, follows: false, countsDays: true } as const
const PLAIN = { ...FITTED, bends: false, choices: [] } as const

export const FITTED_FORMS = {
  none: {
    words: 'level',
    called: 'level',
    says: 'a level',
    means: 'No trend: what comes is the mean of what was.',
    degree: 0,
    isStraight: true,
    ...PLAIN,
  },
  linear: {
    words: 'line',
    called: 'straight line',
    says: 'a straight line',
    means: 'The same amount every period.',
    degree: 1,
    isStraight: true,
    ...PLAIN,
  },
  quadratic: {
    words: 'quadratic',
    called: 'quadratic',
    says: 'a quadratic curve',
    means: 'One bow. It runs away fast beyond the data.',
    degree: 2,
    isStraight: false,
    ...PLAIN,
  },
  cubic: {
    words: 'cubic',
    called: 'cubic',
    says: 'a cubic curve',
    means: 'Two bows. It runs away even faster.',
    degree: 3,
    isStraight: false,
    ...PLAIN,
  },
  exponential: {
    words: 'exponential',
    called: 'exponential',
    says: 'exponential growth',
    means: 'The same share every period; every value must be above 0.',
    degree: 1,
    isStraight: false,
    ...PLAIN,
    ofLog: true,
  },
  breaks: {
    words: 'line with breaks',
    called: 'line with breaks',
    says: 'a line with breaks',
    means: 'Straight pieces that turn, or step, at periods you choose.',
    degree: 1,
    isStraight: false,
    ...FITTED,
    bends: true,
    choices: [{ key: 'breaks', isPlural: true }],
  },
} as const satisfies Record<string, FittedForm>
export type FittedFormName = keyof typeof FITTED_FORMS
export const FITTED_FORM_NAMES = Object.keys(FITTED_FORMS) as FittedFormName[]

/** Forms that others speak of: the one that is taken when none is named, the one that grows by shares, and the one that bends. */
export const STRAIGHT = 'linear' satisfies FittedFormName
export const GROWING = 'exponential' satisfies FittedFormName
export const BENT = 'breaks' satisfies FittedFormName

/** Whether a form is fitted to columns of time, so that a regression can have them too. */
export function isFittedForm(form: string): form is FittedFormName {
  return form in FITTED_FORMS
}

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
  const { degree, bends } = FITTED_FORMS[form]
  return [
    ...powersOfTime(degree, time),
    ...(bends ? breaks.flatMap((at) => breakColumns(at, time, periodLabel(at.t))) : []),
  ]
}
