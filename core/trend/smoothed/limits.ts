import { figureOf } from '../../column/expression'
import type { Run } from '../../column/run'
import type { DesignColumn } from '../../regression/design'
import type { LimitArithmetic, LimitFigures } from '../limits'
import type { SmoothedTrendReport } from './report'

/** σ and Σc² of a smoothed trend, which a search has found. */
export function smoothedLimits(
  _run: Run,
  _report: SmoothedTrendReport,
  _design: readonly DesignColumn[],
  { df, s, sRelative, leverageAt }: LimitFigures,
): LimitArithmetic {
  return {
    df: () => figureOf('degrees of freedom', df),
    s: () => figureOf('σ', s!),
    share: () => figureOf('σ, as a share of the trend', sRelative!),
    leverage: (t) => figureOf('Σc²', leverageAt(t)),
  }
}
