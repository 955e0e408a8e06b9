import type { Benchmark } from '../forecast/benchmarks'
import type { Value } from '../series/series'
import { mean } from '../statistics/average'
import { forecastOf } from './accuracy'
import type { ErrorFigures } from './errorFigures'
import type { Try } from './rolling'
import { compare } from './tie'

/** How far forecasts were off. */
export interface Off {
  /** MAE in per cent of the mean of the actual values; in units of the series where that is not above 0. */
  readonly by: number
  readonly in: 'percent' | 'units'
}

/** The mean absolute error over all origins and horizons. */
type Pooled = { readonly pooled: Pick<ErrorFigures, 'mae'> }

/** How a method would have done, against what needs no method. */
export interface Verdict {
  /** Origins that anything came after. */
  readonly tries: number
  readonly method: Off
  /** Other than the method itself, the nearest first. */
  readonly benchmarks: readonly { readonly which: Benchmark; readonly off: Off }[]
  /** Against the nearest benchmark; null with too few origins to tell. */
  readonly against: 'better' | 'tie' | 'worse' | null
}

/**
 * The verdict on the tries of a method.
 *
 * @returns null when nothing came after any origin
 */
export function verdictOn(
  tries: readonly Try[],
  method: Pooled,
  benchmarks: Readonly<Partial<Record<Benchmark, Pooled>>>,
  { horizon, step }: { readonly horizon: number; readonly step: number },
): Verdict | null {
  const own = offBy(tries, method)
  if (!own) return null
  const others = (Object.entries(benchmarks) as [Benchmark, Pooled][])
    .filter(([which]) => !isSame(tries, which))
    .flatMap(([which, accuracy]) => {
      const off = offBy(tries, accuracy)
      return off ? [{ which, off }] : []
    })
    .sort((a, b) => a.off.by - b.off.by)
  const [best] = others
  const answered = tries.filter(({ actual }) => actual.some((y) => y !== null))
  return {
    tries: answered.length,
    method: own,
    benchmarks: others,
    against: best ? against(answered, best.which, own.by - best.off.by, horizon, step) : null,
  }
}

/** Whether the method is this benchmark itself. */
function isSame(tries: readonly Try[], which: Benchmark): boolean {
  return tries.every(({ forecast, benchmarks }) =>
    forecast.every((point, i) => point === benchmarks[which]?.[i]),
  )
}

/** How far forecasts were off, all of them together; null over nothing. */
export function offBy(tries: readonly Try[], { pooled: { mae } }: Pooled): Off | null {
  return offFrom(
    mae,
    tries.flatMap(({ actual }) => actual),
  )
}

/** The same from a mean absolute error and what came; in units where what came is not above 0 on average. */
export function offFrom(mae: Value, actual: readonly Value[]): Off | null {
  const level = mean(actual.filter((y) => y !== null))
  if (mae === null || level === null) return null
  return level > 0 ? { by: (100 * mae) / level, in: 'percent' } : { by: mae, in: 'units' }
}

/** Neither better nor worse where the scaled errors, origin by origin, do not differ beyond chance. */
function against(
  tries: readonly Try[],
  which: Benchmark,
  further: number,
  horizon: number,
  step: number,
): Verdict['against'] {
  const differences = tries.flatMap((one) => {
    const [own, other] = [scaledError(one, one.forecast), scaledError(one, forecastOf(one, which))]
    return own === null || other === null ? [] : [own - other]
  })
  const comparison = compare(differences, horizon, step)
  if (!comparison) return null
  if (comparison.isTie || Math.sign(comparison.mean) !== Math.sign(further)) return 'tie'
  return further > 0 ? 'worse' : 'better'
}

/** The figure of an origin: the mean |e| over its horizons, by the mean change on a year before in its training span. */
export function scaledError({ actual, commonScale }: Try, forecast: readonly Value[]): Value {
  if (commonScale === null) return null
  const errors = actual.flatMap((y, i) => {
    const point = forecast[i] ?? null
    return y === null || point === null ? [] : [Math.abs(y - point)]
  })
  const off = mean(errors)
  return off === null ? null : off / commonScale
}
