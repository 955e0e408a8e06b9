import { LIMIT_KINDS } from '../commonOptions'
import type { ForecastWay } from '../way'
import { forecastByBenchmark, type BenchmarkForecast } from './calculate'
import { columnsOfBenchmark } from './columns'
import { findingsOfBenchmark } from './findings'
import {
  benchmarkDocument,
  completeBenchmark,
  type BenchmarkDocument,
  type BenchmarkOptions,
} from './options'
import { wordsOfBenchmark } from './words'
import { benchmarkSays, benchmarksFor } from '../benchmarks'

/** What was, repeated: sometimes nothing beats it. */
export const benchmark = {
  name: 'benchmark',
  home: 'by a benchmark',
  says: {
    text: 'by a benchmark',
    means: 'Repeats what was; sometimes nothing beats it. The decomposition stays to look at.',
  },
  extendsTrend: false,
  fitsTrend: false,
  hasOwnTrend: false,
  steps: (_, { periods }) => periods,
  isBenchmark: true,
  limits: LIMIT_KINDS,
  document: benchmarkDocument,
  complete: completeBenchmark,
  within: (document) => document,
  forecast: forecastByBenchmark,
  columns: columnsOfBenchmark,
  words: wordsOfBenchmark,
  findings: findingsOfBenchmark,
  label: ({ which }, { cycle }) => benchmarkSays(which, cycle),
  candidates: ({ seasons }) =>
    benchmarksFor(seasons).map((which) => ({ forecast: { by: 'benchmark', which } })),
} as const satisfies ForecastWay<BenchmarkDocument, BenchmarkOptions, BenchmarkForecast>
