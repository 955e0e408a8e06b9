import { READERS_FIGURES } from '~/figures/format'
import { saidOfForecast, saidOfTrend } from '~~/core/picture/said'
import type { Result } from '~~/core/result'
import type { ResultStage } from './stage'

/** The trend through the deseasonalized series, the cycle around it, and the regression on trend and season. */
export const trend: ResultStage = {
  needs: 'result',
  label: 'Trend',
  focus: ['smoothedLevel', 'predicted', 'trend'],
  seesWhole: true,
  barHeight: 0,
  beside: () => [],
  line: trendLine,
}

/** What the forecast's own model came to, or the trend of the decomposition. */
function trendLine(result: Result): string {
  const said = saidOfForecast(result, READERS_FIGURES) ?? saidOfTrend(result, READERS_FIGURES)
  return said.line
}
