import { figureOf, parameterOf } from '../column/expression'
import type { LimitArithmetic, LimitFigures } from './limits'

/**
 * σ and the variance of a trend that a search has found: no regression has them in its rows.
 *
 * @param variance how it is called, as a multiple of that of a value: `Σc²`
 */
export function limitsByVariance(
  variance: string,
  { df, s, sRelative, leverageAt }: LimitFigures,
): LimitArithmetic {
  return {
    df: () => parameterOf('degrees of freedom', df),
    s: () => parameterOf('σ', s!),
    share: () => parameterOf('σ, as a share of the trend', sRelative!),
    leverage: (t) => figureOf(variance, leverageAt(t)),
  }
}
