import type { Value } from '../series/series'

/** Ways to take differences. */
export const DIFFERENCES = ['first', 'second', 'third', 'seasonal', 'seasonal-first'] as const
export type Difference = (typeof DIFFERENCES)[number]

/**
 * Differences of a series: what is added from one period to the next (`first`), the change of that
 * (`second`), the change of that in turn (`third`), the change from the same season last year (`seasonal`), and the first difference of those.
 *
 * @param values one a period, null = missing
 * @param seasons m
 * @returns one entry a period; undefined in the first periods and wherever a value it needs is
 * @example difference([1, 4, 9, 16], 'third', 12) // [null, null, null, 0]
 */
export function difference(values: readonly Value[], how: Difference, seasons: number): Value[] {
  switch (how) {
    case 'first':
      return lagged(values, 1)
    case 'second':
      return lagged(lagged(values, 1), 1)
    case 'third':
      return lagged(lagged(lagged(values, 1), 1), 1)
    case 'seasonal':
      return lagged(values, seasons)
    case 'seasonal-first':
      return lagged(lagged(values, seasons), 1)
  }
}

function lagged(values: readonly Value[], lag: number): Value[] {
  return values.map((value, t) => {
    const before = values[t - lag] ?? null
    return value === null || before === null ? null : value - before
  })
}
