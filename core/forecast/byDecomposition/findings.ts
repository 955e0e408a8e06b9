import type { Finding } from '../../finding'
import { listed } from '../../words/listed'
import type { Stretch } from '../../series/stretch'
import { figure } from '../../words/figure'
import type { JudgedForecast } from '../way'
import type { DecompositionForecast } from './calculate'

/** What the reader of the limits must know. */
export function findingsOfForecast(
  { calendar }: Stretch,
  { interval }: DecompositionForecast,
  { seasonCost, costBefore }: JudgedForecast,
): Finding[] {
  const { df } = interval
  if (df > 0) return []
  const estimated = listed([
    'the trend',
    ...(seasonCost === 0 ? [] : [`the indices of ${calendar.seasons} seasons`]),
    ...(costBefore === 0 ? [] : ['what was taken out before']),
  ])
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
