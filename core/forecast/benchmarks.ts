import type { CycleName } from '../calendar/rhythm'
import type { Value } from '../series/series'

/** Forecasts that need no method, which any method must beat to be worth its trouble. */
export const BENCHMARKS = ['lastValue', 'lastYear', 'mean', 'drift'] as const
export type Benchmark = (typeof BENCHMARKS)[number]

const SAYS: Readonly<Record<Exclude<Benchmark, 'lastYear'>, string>> = {
  lastValue: 'repeating the last value',
  mean: 'the mean of all values',
  drift: 'the last value with its drift',
}

/** How each is said: `repeating last year would have been off by 4.9%`. @param cycle one turn of the seasons */
export function benchmarkSays(which: Benchmark, cycle: CycleName): string {
  return which === 'lastYear'
    ? `repeating ${cycle === 'day' ? 'the last day' : `last ${cycle}`}`
    : SAYS[which]
}

/** Those that a series has: without a season last year is the last value. */
export function benchmarksFor(seasons: number): readonly Benchmark[] {
  return seasons < 2 ? BENCHMARKS.filter((one) => one !== 'lastYear') : BENCHMARKS
}

/** What a benchmark rests on: entries of the list of values it was asked of. */
export interface BenchmarkBasis {
  /** Entries of the first and the last value present. */
  readonly first: number
  readonly last: number
  /** Rise a period from the first to the last value present; 0 where they are one. */
  readonly slope: number
  /** The mean of the values present. */
  readonly mean: number
  /** The latest entry present of the season of an entry beyond the end; undefined where the season has none. */
  lastOfSeason(entry: number): number | null
}

/**
 * What the benchmarks rest on.
 *
 * @param values of the training span as the method gets them, null = missing
 * @param seasons m
 * @returns null when no value is present
 */
export function benchmarkBasis(values: readonly Value[], seasons: number): BenchmarkBasis | null {
  let [first, last, count, sum] = [-1, -1, 0, 0]
  for (const [i, value] of values.entries()) {
    if (value === null) continue
    if (first < 0) first = i
    last = i
    count++
    sum += value
  }
  if (count === 0) return null
  return {
    first,
    last,
    slope: last === first ? 0 : (values[last]! - values[first]!) / (last - first),
    mean: sum / count,
    lastOfSeason: (entry) => {
      for (let i = entry - seasons; i >= 0; i -= seasons) {
        if (i < values.length && values[i] !== null) return i
      }
      return null
    },
  }
}

/**
 * A benchmark beyond the end of a list of values: the last value present; the latest value present of the same
 * season; the mean of the values present; the line through the first and the last value present.
 *
 * @param values of the training span as the method gets them, null = missing
 * @param seasons m
 * @param horizon periods beyond the end
 * @returns one a period; undefined where no value stands behind it
 * @example benchmarkForecast('drift', [10, null, 14], 12, 2) // [16, 18]
 */
export function benchmarkForecast(
  which: Benchmark,
  values: readonly Value[],
  seasons: number,
  horizon: number,
): Value[] {
  const basis = benchmarkBasis(values, seasons)
  return Array.from({ length: horizon }, (_, k): Value => {
    if (!basis) return null
    const entry = values.length + k
    switch (which) {
      case 'lastValue':
        return values[basis.last]!
      case 'lastYear': {
        const same = basis.lastOfSeason(entry)
        return same === null ? null : values[same]!
      }
      case 'mean':
        return basis.mean
      case 'drift':
        return values[basis.last]! + basis.slope * (entry - basis.last)
    }
  })
}
