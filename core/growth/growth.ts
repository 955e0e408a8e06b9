import type { Value } from '../series/series'

/** Growth of a series in per cent, one entry a period, undefined where there is nothing to grow from. */
export interface Growth {
  readonly periodOnPeriod: readonly Value[]
  /** The same as if it went on for a year: m times as much. */
  readonly annualizedSimple: readonly Value[]
  /** The same, each period growing on the one before. */
  readonly annualizedCompounded: readonly Value[]
  readonly yearOnYear: readonly Value[]
}

/**
 * Growth rates in per cent: 100(y(t) ÷ y(t−1) − 1), that times m, 100((y(t) ÷ y(t−1))^m − 1), and
 * 100(y(t) ÷ y(t−m) − 1).
 *
 * Each loses its first period or year and ends at the same last period. Over a base that is missing, zero or
 * negative there is no growth to speak of, and it is undefined; so is the compounded rate of what has fallen below 0,
 * since a negative ratio to an even power would be a rise.
 *
 * @param values one a period, in any unit, null = missing
 * @param seasons m
 * @example growth([100, 102], 4) // periodOnPeriod [null, 2], simple [null, 8], compounded [null, 8.24]
 */
export function growth(values: readonly Value[], seasons: number): Growth {
  const ratioTo = (lag: number): Value[] =>
    values.map((value, t) => {
      const base = values[t - lag] ?? null
      return value === null || base === null || base <= 0 ? null : value / base
    })
  const per = (ratios: readonly Value[], rate: (ratio: number) => Value) =>
    ratios.map((ratio) => (ratio === null ? null : rate(ratio)))
  const fromBefore = ratioTo(1)
  return {
    periodOnPeriod: per(fromBefore, (ratio) => 100 * (ratio - 1)),
    annualizedSimple: per(fromBefore, (ratio) => 100 * seasons * (ratio - 1)),
    annualizedCompounded: per(fromBefore, (ratio) =>
      ratio >= 0 ? 100 * (ratio ** seasons - 1) : null,
    ),
    yearOnYear: per(ratioTo(seasons), (ratio) => 100 * (ratio - 1)),
  }
}
