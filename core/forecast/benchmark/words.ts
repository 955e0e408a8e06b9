import { oneCycle } from '../../calendar/labels'
import type { Piece } from '../../word'
import { benchmarkSays, benchmarksFor, type Benchmark } from '../benchmarks'
import type { ForecastTold } from '../way'
import type { BenchmarkOptions } from './options'

const MEANS: Readonly<Record<Benchmark, string>> = {
  lastValue: 'Right for a level that wanders.',
  lastYear: 'Right for a steady season without a trend.',
  mean: 'Right for values around a level that never moves.',
  drift: 'The line through the first and the last value goes on.',
}

/** Which of them: `, repeating last year`. */
export function wordsOfBenchmark({ which }: BenchmarkOptions, { calendar }: ForecastTold): Piece[] {
  return [
    ', ',
    {
      id: 'which',
      text: benchmarkSays(which, oneCycle(calendar)),
      ask: {
        kind: 'pick',
        choices: benchmarksFor(calendar.seasons).map((one) => ({
          text: benchmarkSays(one, oneCycle(calendar)),
          means: MEANS[one],
          chosen: one === which,
          change: { forecast: { which: one } },
        })),
      },
    },
  ]
}
