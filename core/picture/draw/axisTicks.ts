import { isFinerThanMonths } from '../../calendar/calendar'
import { seasonLabel } from '../../calendar/labels'
import { axisOf } from '../../calendar/axis'
import type { Series } from '../../series/series'
import type { AxisTick } from './axisTick'
import { fineTicks } from './fineTicks'
import { columnWidth, periodsInside, xOf, type TimeAxis } from './timeAxis'

/** Narrower columns name their year only. */
const SEASONS_FROM_PX = 22
/** Half the width of a year that is written out. */
const HALF_A_YEAR_PX = 13
/** Least distance between two years that are written out. */
const YEARS_EVERY_PX = 38

/**
 * The labels of the periods in the window: seasons and years while there is room, then years, then
 * every second, fifth or tenth year; of weeks, days and hours months between the two.
 */
export function axisTicks(
  axis: TimeAxis,
  series: Pick<Series, 'calendar' | 'start'>,
  lastActual: number,
): AxisTick[] {
  const { calendar, periodAt } = axisOf(series)
  if (isFinerThanMonths(calendar)) return fineTicks(axis, series, lastActual)
  const width = columnWidth(axis)
  // A yearly series has years, and no seasons to name.
  const everySeason = calendar.seasons > 1 && width >= SEASONS_FROM_PX
  const years =
    [1, 2, 5, 10, 20, 50, 100].find((n) => n * calendar.seasons * width >= YEARS_EVERY_PX) ?? 200
  const inside = periodsInside(axis)
  return inside.flatMap((t, i) => {
    const period = periodAt(t)
    const isYearStart = period.season === 1
    const namesYear = isYearStart
      ? period.cycle % years === 0
      : everySeason && i === 0 && width * (calendar.seasons - period.season + 1) > YEARS_EVERY_PX
    if (!everySeason && !namesYear) return []
    return [
      {
        t,
        // A year at the left edge is moved in as far as it needs to be read.
        x: everySeason ? xOf(axis, t) : Math.max(xOf(axis, t), HALF_A_YEAR_PX),
        season: everySeason ? shortSeason(seasonLabel(period.season, calendar)) : '',
        year: namesYear ? String(period.cycle) : '',
        isYearStart,
        isForecast: t > lastActual,
      },
    ]
  })
}

/** `season 3` is `3` under a column, and `Summer` is `Sum`. */
function shortSeason(label: string): string {
  return label.startsWith('season ') ? label.replace('season ', '') : label.slice(0, 3)
}
