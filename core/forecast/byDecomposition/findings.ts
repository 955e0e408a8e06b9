import type { Finding } from '../../finding'
import type { Stretch } from '../../series/stretch'
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
  if (df > 0) {
    if (seasonCost === 0) return []
    return [
      {
        code: 'limits-narrow',
        severity: 'note',
        topic: 'forecast',
        text: 'The limits hold the uncertainty of the trend line, not that of the indices; they are a little narrow.',
        period: null,
        figure: null,
      },
    ]
  }
  const estimated =
    seasonCost === 0 ? 'the line' : `the line and the ${calendar.seasons - 1} free indices`
  return [
    {
      code: 'no-limits',
      severity: 'caution',
      topic: 'forecast',
      text: `No limits: after ${estimated} no degree of freedom is left (${df}). Fit the trend to more periods.`,
      period: null,
      figure: df,
    },
  ]
}
