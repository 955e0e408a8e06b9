import type { Finding } from '../../finding'
import type { Stretch } from '../../series/stretch'
import { figure } from '../../words/figure'
import type { BenchmarkForecast } from './calculate'

/** What the reader of the limits must know. */
export function findingsOfBenchmark(_: Stretch, { interval }: BenchmarkForecast): Finding[] {
  const { df } = interval
  if (df > 0) return []
  return [
    {
      code: 'no-limits',
      severity: 'caution',
      stage: 'project',
      text: `No limits: of errors of one step no degree of freedom is left (${figure(df)}). More periods are needed.`,
      period: null,
      figure: df,
    },
  ]
}
