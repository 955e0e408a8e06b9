import type { Finding } from '../../finding'
import type { Stretch } from '../../series/stretch'
import { figure } from '../../words/figure'
import type { JudgedForecast } from '../way'
import type { DecompositionForecast } from './calculate'

/** What the reader of the limits must know. */
export function findingsOfForecast(
  { calendar }: Stretch,
  { interval }: DecompositionForecast,
  { seasonCost }: JudgedForecast,
): Finding[] {
  const { df } = interval
  if (df > 0) return []
  const estimated =
    seasonCost === 0 ? 'the trend' : `the trend and the indices of ${calendar.seasons} seasons`
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
