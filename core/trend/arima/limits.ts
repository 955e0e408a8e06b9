import { figureOf } from '../../column/expression'
import type { Run } from '../../column/run'
import type { DesignColumn } from '../../regression/design'
import type { LimitArithmetic, LimitFigures } from '../limits'
import type { ArimaTrendReport } from './report'

/** σ and what the variance of the filter has beyond that of a value. */
export function arimaLimits(
  _run: Run,
  _report: ArimaTrendReport,
  _design: readonly DesignColumn[],
  { df, s, sRelative, leverageAt }: LimitFigures,
): LimitArithmetic {
  return {
    df: () => figureOf('degrees of freedom', df),
    s: () => figureOf('σ', s!),
    share: () => figureOf('σ, as a share of the trend', sRelative!),
    leverage: (t) => figureOf('Σψ²', leverageAt(t)),
  }
}
