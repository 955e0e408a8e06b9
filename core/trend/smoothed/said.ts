import { weightsWords } from '../../stateSpace/weightsWords'
import type { ReadersFigures } from '../../words/readersFigures'
import type { TrendSaid, TrendTold } from '../said'
import { SMOOTHED_FORMS } from './form'
import type { SmoothedTrendReport } from './report'

/** The weights that level and slope were smoothed with. */
export function saidOfSmoothed(
  { form, smoothing }: SmoothedTrendReport,
  _told: TrendTold,
  says: ReadersFigures,
): TrendSaid {
  const weights = weightsWords(smoothing.weights, says)
  return {
    notes: [`${SMOOTHED_FORMS[form].words}, ${weights}`, weights],
    line: `smoothed, ${weights}`,
  }
}
