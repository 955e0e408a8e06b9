import { TREND_FORMS } from '~~/core/trend/forms'
import type { Result } from '~~/core/result'
import type { SmoothedTrendReport } from '~~/core/trend/smoothed/report'
import { weightsWords } from '../smoothing/weightsOf'
import type { TrendWords } from '../way'

/** The weights that level and slope were smoothed with. */
export const smoothedTrend: TrendWords = {
  notes({ trendFit }) {
    const weights = ofTrend(trendFit)
    return [`${TREND_FORMS[trendFit.form].words}, ${weights}`, weights]
  },
  line: ({ trendFit }) => `smoothed, ${ofTrend(trendFit)}`,
}

function ofTrend(fit: Result['trendFit']): string {
  return weightsWords((fit as SmoothedTrendReport).smoothing.weights)
}
