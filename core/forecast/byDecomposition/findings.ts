import type { Finding } from '../../finding'
import type { Stretch } from '../../series/stretch'
import { figure } from '../../words/figure'
import type { DecompositionForecast } from './calculate'

/**
 * What the reader of the limits must know.
 *
 * @param seasonCost degrees of freedom that the indices cost; 0 without a season
 */
export function findingsOfForecast(
  { calendar }: Stretch,
  { interval }: DecompositionForecast,
  seasonCost: number,
): Finding[] {
  const { df } = interval
  if (df > 0) return []
  const estimated =
    seasonCost === 0 ? 'the line' : `the line and the indices of ${calendar.seasons} seasons`
  return [
    {
      code: 'no-limits',
      severity: 'caution',
      stage: 'project',
      text: `No limits: after ${estimated} no degree of freedom is left (${figure(df)}). Fit the trend to more periods.`,
      period: null,
      figure: df,
    },
  ]
}
