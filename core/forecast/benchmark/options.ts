import { z } from 'zod'
import { Refusal } from '../../refusal'
import { BENCHMARKS, type Benchmark } from '../benchmarks'
import {
  commonForecast,
  completeCommon,
  type CommonForecast,
  type ForecastFacts,
} from '../commonOptions'

/** Forecast by a benchmark, as a person or a script writes it. */
export const benchmarkDocument = z.strictObject({
  by: z.literal('benchmark'),
  ...commonForecast,
  which: z.enum(BENCHMARKS).optional(),
})
export type BenchmarkDocument = z.infer<typeof benchmarkDocument>

/** The same, complete. */
export interface BenchmarkOptions extends CommonForecast {
  readonly by: 'benchmark'
  readonly which: Benchmark
}

/** Fills in the defaults: last year repeated, of a yearly series the last value. */
export function completeBenchmark(
  { by, which, ...common }: BenchmarkDocument,
  facts: ForecastFacts,
): BenchmarkOptions {
  const { calendar } = facts
  if (which === 'lastYear' && calendar.seasons < 2) {
    throw new Refusal(
      'A yearly series has no season to repeat: last year is the last value.',
      'forecast.which',
    )
  }
  const usual = calendar.seasons < 2 ? 'lastValue' : 'lastYear'
  return { by, ...completeCommon(common, facts), which: which ?? usual }
}
