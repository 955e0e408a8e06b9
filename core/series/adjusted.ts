import { Refusal } from '../refusal'
import { axisOf } from '../calendar/axis'
import type { Adjustment, Series, Value } from './series'
import { timeCodeIn } from './timeCodeIn'

/**
 * The values a calculation uses: those that came in, with the analyst's adjustments put in.
 *
 * @param series values as they came in, one a period, with `adjustments` beside them
 * @returns one entry a period, in units of the series
 * @throws Refusal for an adjustment of a period that the series does not have, or of one twice
 * @example [10, 999, 12] with { period: '2021-02', value: 9.99, reason: 'typed' } // [10, 9.99, 12]
 */
export function adjustedValues(series: Series): Value[] {
  const used = [...series.values]
  const seen = new Set<number>()
  series.adjustments?.forEach(({ period, value }, i) => {
    const where = `adjustments.${i}.period`
    const t = timeCodeIn(series, period, where)
    if (seen.has(t)) throw new Refusal(`The period ${period} is adjusted twice.`, where)
    seen.add(t)
    used[t - 1] = value
  })
  return used
}

/** Adjustments with others put in, in the order of time; a period has one at the most, the later one. */
export function withAdjustments(
  before: readonly Adjustment[],
  more: readonly Adjustment[],
): Adjustment[] {
  const periods = new Set(more.map(({ period }) => period))
  const others = before.filter(({ period }) => !periods.has(period))
  return [...others, ...more].sort((a, b) => (a.period < b.period ? -1 : 1))
}

/**
 * The adjustments of periods that a series has. Other values of it can be without a period that was adjusted; the adjustment
 * then waits for them.
 *
 * @example adjustmentsWithin(a series from 2020-01, [{ period: '2019-12', … }]) // []
 */
export function adjustmentsWithin(
  series: Series,
  adjustments: readonly Adjustment[],
): Adjustment[] {
  const { tOfCode } = axisOf(series)
  return adjustments.filter(({ period }) => {
    const t = tOfCode(period) ?? 0
    return t >= 1 && t <= series.values.length
  })
}
