import { READERS_FIGURES } from '~/figures/format'
import { saidOfTrend } from '~~/core/picture/saidOfTrend'
import { r2Words } from '~~/core/regression/r2Words'
import type { Result } from '~~/core/result'
import { weightsWords } from '~~/core/stateSpace/weightsWords'
import type { ResultStage } from '../stage'

/** The trend through the deseasonalized series, the cycle around it, and the regression on trend and season. */
export const trend: ResultStage = {
  needs: 'result',
  label: 'Trend',
  focus: ['smoothedLevel', 'trend'],
  seesWhole: true,
  barHeight: 0,
  beside: () => [],
  line: trendLine,
}

/** What the forecast's own trend came to, or the trend of the decomposition. */
function trendLine(result: Result): string {
  const { regression, forecast } = result
  if ('weights' in forecast) return weightsWords(forecast.weights, READERS_FIGURES)
  if (regression) return `regression, ${r2Words(regression.r2, READERS_FIGURES)}`
  return saidOfTrend(result, READERS_FIGURES).line
}
