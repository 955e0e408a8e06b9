import { powersOfTime, type DesignColumn } from '../regression/design'

/** A form of trend: columns of a regression beside the constant. */
export interface TrendForm {
  /** `line`, to end a phrase with. */
  readonly words: string
  readonly columns: readonly DesignColumn[]
  /** Whether it is fitted to ln y, and so works in proportion. */
  readonly ofLog: boolean
}

/** The forms that a trend can have. */
export const TREND_FORMS = {
  linear: { words: 'line', columns: powersOfTime(1), ofLog: false },
  quadratic: { words: 'quadratic', columns: powersOfTime(2), ofLog: false },
  cubic: { words: 'cubic', columns: powersOfTime(3), ofLog: false },
  exponential: { words: 'exponential', columns: powersOfTime(1), ofLog: true },
} as const satisfies Record<string, TrendForm>
export type TrendFormName = keyof typeof TREND_FORMS
export const TREND_FORM_NAMES = Object.keys(TREND_FORMS) as TrendFormName[]
