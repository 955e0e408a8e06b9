import { exampleCode, parsePeriod, timeCodeOf } from '../calendar/period'
import { Refusal } from '../refusal'
import type { Series, Value } from '../series'

/** A value of a series that the analyst replaced or left out, and why. The original stays beside it. */
export interface Adjustment {
  /** Period code, `2019-06`. */
  readonly period: string
  /** What the calculation uses instead, in units of the series; null leaves the value out. */
  readonly value: Value
  readonly reason: string
}

/**
 * The values a calculation uses: those that came in, with the analyst's adjustments put in.
 *
 * @param series values as they came in, one a period, with `adjustments` beside them
 * @returns one entry a period, in units of the series
 * @throws Refusal for an adjustment of a period that the series does not have, or of one twice
 * @example [10, 999, 12] with { period: '2021-02', value: 9.99, reason: 'typed' } // [10, 9.99, 12]
 */
export function adjustedValues({ calendar, start, values, adjustments = [] }: Series): Value[] {
  const used = [...values]
  const seen = new Set<number>()
  adjustments.forEach(({ period: code, value }, i) => {
    const where = `adjustments.${i}.period`
    const period = parsePeriod(code, calendar)
    if (!period) {
      throw new Refusal(
        `"${code}" is not a period of this series; periods are written ${exampleCode(calendar)}.`,
        where,
      )
    }
    const t = timeCodeOf(start, period, calendar.seasons)
    if (t < 1 || t > values.length) {
      throw new Refusal(`The adjusted period ${code} lies outside the series.`, where)
    }
    if (seen.has(t)) throw new Refusal(`The period ${code} is adjusted twice.`, where)
    seen.add(t)
    used[t - 1] = value
  })
  return used
}
