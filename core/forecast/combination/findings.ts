import type { Finding } from '../../finding'
import type { Stretch } from '../../series/stretch'
import type { CombinationForecast } from './calculate'

/** That there are no limits, where there were no earlier forecasts to take them from. */
export function findingsOfCombination(_: Stretch, { pastErrors }: CombinationForecast): Finding[] {
  if (pastErrors) return []
  return [
    {
      code: 'no-limits',
      severity: 'caution',
      stage: 'project',
      text: 'No limits: a combination takes them from the errors of earlier forecasts, and the series is too short for any.',
      period: null,
      figure: null,
    },
  ]
}
