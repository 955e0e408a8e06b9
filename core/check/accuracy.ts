import type { Benchmark } from '../forecast/benchmarks'
import type { Value } from '../series/series'
import { figuresOfErrors, type ErrorFigures } from './errorFigures'
import type { Try } from './rolling'

/** Error figures of forecasts of one horizon, and of all together. */
export interface Accuracy {
  readonly byHorizon: readonly (ErrorFigures & { readonly h: number })[]
  /** All errors of all origins and horizons. */
  readonly pooled: ErrorFigures
}

/** What one try forecast: by the method, or by a benchmark alongside. */
export function forecastOf(one: Try, of: Benchmark | 'method'): readonly Value[] {
  return of === 'method' ? one.forecast : one.benchmarks[of]!
}

/** How the method, or a benchmark alongside, did from all origins. */
export function accuracyOf(tries: readonly Try[], of: Benchmark | 'method'): Accuracy {
  const longest = Math.max(0, ...tries.map(({ actual }) => actual.length))
  const at = (one: Try, i: number) => ({
    actual: one.actual[i]!,
    forecast: forecastOf(one, of)[i]!,
    scale: one.scale,
  })
  return {
    byHorizon: Array.from({ length: longest }, (_, i) => ({
      h: i + 1,
      ...figuresOfErrors(tries.filter(({ actual }) => actual.length > i).map((one) => at(one, i))),
    })),
    pooled: figuresOfErrors(tries.flatMap((one) => one.actual.map((_, i) => at(one, i)))),
  }
}
