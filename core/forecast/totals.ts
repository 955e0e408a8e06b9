import type { Calendar } from '../calendar/calendar'
import { cycleLabel, oneCycle } from '../calendar/labels'
import { axisOf } from '../calendar/axis'
import type { Period } from '../calendar/period'
import { seasonColumn, tableYear } from '../calendar/tableYear'
import type { Quantity } from '../series/quantity'
import type { Value } from '../series/series'

/** What a year or a quarter of a flow comes to in all, and that of a level in the mean, beside the same periods one year earlier. */
export interface Total {
  /** `2026`, `2026 Q1`, of a part `2026, Jan to Apr`. */
  readonly label: string
  /** Time codes of its first and last period. */
  readonly from: number
  readonly to: number
  /** In units of the series; actual values where there are some, the forecast for the others. Undefined over a gap. */
  readonly total: Value
  /** The first period of it that has no value; null where all have one. */
  readonly gap: string | null
  /** Periods of it that are forecast. */
  readonly forecast: number
  /** The same periods one year earlier; undefined where one of them is not there. */
  readonly before: Value
  /** By what share the total is above the one before; undefined without one above 0. */
  readonly change: Value
}

/** Values, and what is forecast after them; of a level the means take the place of totals. */
export interface Totalled {
  readonly calendar: Calendar
  /** The period of time code 1. */
  readonly start: Period
  /** Time code of the first value. */
  readonly firstT: number
  readonly values: readonly Value[]
  readonly forecast: readonly number[]
  readonly quantity: Quantity
}

const QUARTERS = 4

/**
 * Totals of every year that holds a forecast period, of days every week, each against the one before.
 *
 * A fiscal year is called by the calendar year in which it ends. Where the forecast ends within a year, the part of
 * it that is there is compared with the same part of the year before.
 *
 * @returns none for a yearly series, whose years are its periods
 * @example twelve months of forecast after a calendar year: one row, twelve months against twelve
 */
export function totalsByYear(of: Totalled): Total[] {
  const { calendar, periodAt } = axisOf(of)
  if (calendar.seasons < 2) return []
  const year = (t: number) => tableYear(periodAt(t), calendar)
  return totals(of, year, (key) => cycleLabel(key, calendar))
}

/**
 * The same by quarter, counted from the start of the year.
 *
 * @returns none where a cycle is no year, or a year has no whole periods in a quarter, or one alone
 */
export function totalsByQuarter(of: Totalled): Total[] {
  const { calendar, periodAt } = axisOf(of)
  const each = calendar.seasons / QUARTERS
  if (oneCycle(calendar) !== 'year' || !Number.isInteger(each) || each < 2) return []
  const quarter = (t: number) => {
    const period = periodAt(t)
    return (
      tableYear(period, calendar) * QUARTERS +
      Math.floor(seasonColumn(period.season, calendar) / each)
    )
  }
  return totals(of, quarter, (key) => `${Math.floor(key / QUARTERS)} Q${(key % QUARTERS) + 1}`)
}

function totals(
  of: Totalled,
  groupOf: (t: number) => number,
  labelOf: (key: number) => string,
): Total[] {
  const { calendar, firstT, values, forecast, quantity } = of
  const { label } = axisOf(of)
  const totalOf = quantity === 'level' ? meanOf : sumOf
  const { seasons } = calendar
  const lastT = firstT + values.length - 1
  const endT = lastT + forecast.length
  const at = (t: number): Value =>
    t > endT || t < firstT ? null : t > lastT ? forecast[t - lastT - 1]! : values[t - firstT]!
  const groups = new Map<number, number[]>()
  for (let t = firstT; t <= endT; t++) {
    const key = groupOf(t)
    groups.set(key, [...(groups.get(key) ?? []), t])
  }
  return [...groups].flatMap(([key, members]): Total[] => {
    const [from, to] = [members[0]!, members.at(-1)!]
    if (to <= lastT) return []
    const total = totalOf(members, at)
    const before = totalOf(
      members.map((t) => t - seasons),
      at,
    )
    const gap = members.find((t) => at(t) === null)
    const isWhole = groupOf(from - 1) !== key && groupOf(to + 1) !== key
    return [
      {
        label: isWhole
          ? labelOf(key)
          : from === to
            ? label(from)
            : `${label(from)} to ${label(to)}`,
        ...{ from, to, total, before },
        gap: gap === undefined ? null : label(gap),
        forecast: members.filter((t) => t > lastT).length,
        change: total !== null && before !== null && before > 0 ? total / before - 1 : null,
      },
    ]
  })
}

function meanOf(members: readonly number[], at: (t: number) => Value): Value {
  const sum = sumOf(members, at)
  return sum === null ? null : sum / members.length
}

function sumOf(members: readonly number[], at: (t: number) => Value): Value {
  let sum = 0
  for (const t of members) {
    const value = at(t)
    if (value === null) return null
    sum += value
  }
  return sum
}
