import type { Expression } from '../column/expression'
import type { Value } from '../series/series'

/** Figures that the limits of a forecast by the trend are made of. */
export interface LimitFigures {
  /** Degrees of freedom left, and what was taken from them: for the indices, and for what was estimated before. */
  readonly df: number
  readonly costs: readonly number[]
  readonly s: Value
  /** s of the residuals as shares of the trend. */
  readonly sRelative: Value
  /** Variance of the trend at a time code ahead, as a multiple of that of a value. */
  leverageAt(t: number): number
}

/** How these figures came. */
export interface LimitArithmetic {
  df(): Expression
  s(): Expression
  share(): Expression
  leverage(t: number): Expression
}
