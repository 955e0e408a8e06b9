import { daysOf, daysShared, type Day } from '../../../calendar/civil'
import type { DesignColumn } from '../../design'
import type { CivilAxis } from './days'

/** A holiday of one's own, or a sales event: its dates, and the days around each that it is felt. */
export interface OwnHoliday {
  readonly name: string
  readonly dates: readonly Day[]
  readonly before: number
  readonly after: number
}

/** Calendar years, both included. */
export interface Years {
  readonly first: number
  readonly last: number
}

/** Days of a window, the date itself included. */
function windowOf({ before, after }: OwnHoliday): number {
  return before + 1 + after
}

/**
 * Days around the dates that fall into a period, as a share of the days around one; with several dates it can exceed 1. A
 * date that is given twice counts once.
 *
 * @example three days around 1 May: May has 2 of them, April 1
 */
export function holidayShare({ days }: CivilAxis, holiday: OwnHoliday, t: number): number {
  return shareOf(holiday, (around) => daysShared(around, days(t)!))
}

function shareOf(
  holiday: OwnHoliday,
  shared: (around: { first: Day; last: Day }) => number,
): number {
  const { dates, before, after } = holiday
  let days = 0
  for (const day of new Set(dates)) days += shared({ first: day - before, last: day + after })
  return days / windowOf(holiday)
}

/**
 * The mean share of each season over whole calendar years; a date outside them counts where its window reaches into them.
 *
 * @param seasons m, 12 or 4
 */
export function holidayMeans(
  seasons: number,
  holiday: OwnHoliday,
  { first, last }: Years,
): number[] {
  const count = last - first + 1
  return Array.from({ length: seasons }, (_, k) => {
    let sum = 0
    for (let year = first; year <= last; year++) {
      const days = daysOf({ cycle: year, season: k + 1 }, seasons)
      sum += shareOf(holiday, (around) => daysShared(around, days))
    }
    return sum / count
  })
}

/** Share of the days around the dates that fall into the period, less the mean share of its season. */
export function holidayColumn(axis: CivilAxis, holiday: OwnHoliday, years: Years): DesignColumn {
  const means = holidayMeans(axis.calendar.seasons, holiday, years)
  return {
    name: holiday.name,
    label: holiday.name,
    means: 'share of its days − mean share of the season',
    at: (t) => holidayShare(axis, holiday, t) - means[axis.periodAt(t).season - 1]!,
  }
}
