import {
  dayOf,
  daysOf,
  daysShared,
  isOfMonths,
  type Day,
  type DaySpan,
} from '../../../calendar/civil'
import { periodOfDay } from '../../../calendar/periodOfDay'
import { rhythmOf } from '../../../calendar/rhythms'
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
export function windowOf({ before, after }: OwnHoliday): number {
  return before + 1 + after
}

/**
 * Days around the dates that fall into a period, as a share of the days around one; with several dates it can exceed 1. A
 * date that is given twice counts once.
 *
 * @example three days around 1 May: May has 2 of them, April 1
 */
export function holidayShare({ days }: CivilAxis, holiday: OwnHoliday, t: number): number {
  return shareOf(holiday, datesOf(holiday), days(t)!)
}

/** The dates of a list in their order, each once; of thousands only those near a period are looked at. */
const IN_ORDER = new WeakMap<readonly Day[], readonly Day[]>()
function datesOf({ dates }: OwnHoliday): readonly Day[] {
  const known = IN_ORDER.get(dates) ?? [...new Set(dates)].sort((a, b) => a - b)
  IN_ORDER.set(dates, known)
  return known
}

function shareOf(holiday: OwnHoliday, dates: readonly Day[], period: DaySpan): number {
  const { before, after } = holiday
  let shared = 0
  for (let i = firstFrom(dates, period.first - after); i < dates.length; i++) {
    const day = dates[i]!
    if (day - before > period.last) break
    shared += daysShared({ first: day - before, last: day + after }, period)
  }
  return shared / windowOf(holiday)
}

/** Place of the first date that is not before a day, by halving. */
function firstFrom(dates: readonly Day[], day: Day): number {
  let [low, high] = [0, dates.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (dates[middle]! < day) low = middle + 1
    else high = middle
  }
  return low
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
      sum += shareOf(holiday, datesOf(holiday), daysOf({ cycle: year, season: k + 1 }, seasons))
    }
    return sum / count
  })
}

/**
 * The same of days and weeks, whose seasons come again many times a year, or begin in one year and end in the next: from the period
 * of the first day of those years to the last that begins in them.
 */
function holidayMeansOfDays(
  axis: CivilAxis,
  holiday: OwnHoliday,
  { first, last }: Years,
): number[] {
  const { calendar, periodAt, tOf } = axis
  // The axis remembers days, and those of all years of a list are asked for but once.
  const { days } = rhythmOf(calendar)
  const sums = new Array<number>(calendar.seasons).fill(0)
  const counts = new Array<number>(calendar.seasons).fill(0)
  const dates = datesOf(holiday)
  const end = dayOf(last + 1, 1, 1)
  for (let t = tOf(periodOfDay(dayOf(first, 1, 1), calendar)); ; t++) {
    const period = periodAt(t)
    const span = days(period)!
    if (span.first >= end) break
    sums[period.season - 1]! += shareOf(holiday, dates, span)
    counts[period.season - 1]! += 1
  }
  return sums.map((sum, k) => sum / counts[k]!)
}

/** Share of the days around the dates that fall into the period, less the mean share of its season. */
export function holidayColumn(axis: CivilAxis, holiday: OwnHoliday, years: Years): DesignColumn {
  const means = isOfMonths(axis.calendar)
    ? holidayMeans(axis.calendar.seasons, holiday, years)
    : holidayMeansOfDays(axis, holiday, years)
  return {
    name: holiday.name,
    label: holiday.name,
    means: 'share of its days − mean share of the season',
    at: (t) => holidayShare(axis, holiday, t) - means[axis.periodAt(t).season - 1]!,
  }
}
