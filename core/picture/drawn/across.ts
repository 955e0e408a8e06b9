import type { AxisTick } from '../draw/axisTick'
import { axisTicks } from '../draw/axisTicks'
import { columnWidth, xOf, type TimeAxis } from '../draw/timeAxis'
import { valueMarks } from '../draw/valueMarks'
import type { Series } from '../../series/series'

/** What lies along the bottom of strips: periods, seasons, lags, or any figure. */
export interface Across {
  readonly from: number
  readonly to: number
  /** Where the forecast begins; null where nothing is ahead. */
  readonly aheadFrom: number | null
  ticks(axis: TimeAxis): readonly AxisTick[]
}

/**
 * Periods.
 *
 * @param within time codes of the first and the last
 * @param lastT of the last actual one
 */
export function periodsAcross(
  series: Pick<Series, 'calendar' | 'start'>,
  within: { readonly from: number; readonly to: number },
  lastT: number,
): Across {
  return {
    from: within.from - 0.5,
    to: within.to + 0.5,
    aheadFrom: within.to > lastT ? lastT + 0.5 : null,
    ticks: (axis) => axisTicks(axis, series, lastT),
  }
}

/** Room of a letter, and between two names. */
const LETTER_PX = 7
const APART_PX = 8

/** Things with a name each, at 1, 2, 3 …: every so many of them are named as there is room for. */
export function namesAcross(names: readonly string[]): Across {
  return {
    ...{ from: 0.5, to: names.length + 0.5, aheadFrom: null },
    ticks: (axis) => {
      const longest = Math.max(...names.map((name) => name.length)) * LETTER_PX + APART_PX
      const every = Math.max(1, Math.ceil(longest / columnWidth(axis)))
      return names.flatMap((name, i) => ((i + 1) % every === 0 ? [named(name, i + 1, axis)] : []))
    },
  }
}

/** Pixels that a figure along the bottom has to itself. */
const PX_A_FIGURE = 60

/** Figures from a lowest to a highest one. @param write how one is written, so many apart */
export function figuresAcross(
  low: number,
  high: number,
  write: (value: number, apart: number) => string,
): Across {
  return {
    ...{ from: low, to: high, aheadFrom: null },
    ticks: (axis) => {
      const most = Math.max(2, Math.floor(axis.width / PX_A_FIGURE))
      const { at } = valueMarks({ low, high }, most, true)
      const apart = at.length > 1 ? at[1]! - at[0]! : high - low
      return at.map((value) => named(write(value, apart), value, axis))
    },
  }
}

function named(name: string, t: number, axis: TimeAxis): AxisTick {
  const tick = { season: name, year: '', isYearStart: false, isForecast: false }
  return { ...tick, t, x: xOf(axis, t) }
}
