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
  return {
    byHorizon: Array.from({ length: longest }, (_, i) => ({
      h: i + 1,
      ...figuresOfErrors(
        tries.filter(({ actual }) => actual.length > i).map((one) => errorAt(one, of, i)),
      ),
    })),
    pooled: figuresOfErrors(tries.flatMap((one) => one.actual.map((_, i) => errorAt(one, of, i)))),
  }
}

/** Of all errors together the mean absolute one alone: what a verdict is made of, for thousands of series. */
export function pooledError(
  tries: readonly Try[],
  of: Benchmark | 'method',
): { readonly pooled: Pick<ErrorFigures, 'mae'> } {
  let [sum, count] = [0, 0]
  for (const one of tries) {
    const forecast = forecastOf(one, of)
    one.actual.forEach((actual, i) => {
      const point = forecast[i]!
      if (actual === null || point === null) return
      sum += Math.abs(actual - point)
      count++
    })
  }
  return { pooled: { mae: count > 0 ? sum / count : null } }
}

function errorAt(one: Try, of: Benchmark | 'method', i: number) {
  return { actual: one.actual[i]!, forecast: forecastOf(one, of)[i]!, scale: one.scale }
}
