import { daysOf, isLeapYear, WEEKDAYS, weekdayCounts, type DaySpan } from '../../../calendar/civil'
import type { Axis } from '../../../calendar/axis'
import { remembered } from '../../../calendar/remembered'
import { mean } from '../../../statistics/average'
import type { DesignColumn } from '../../design'

/** How a column of the calendar finds the days of a time code; only of a calendar that has days. */
export type CivilAxis = Pick<Axis, 'calendar' | 'periodAt' | 'tOf' | 'days'>

/** The days of a time code. */
export function daysAt({ days }: CivilAxis, t: number): DaySpan {
  return days(t)!
}

/** Weekdays from Monday to Friday, and what one day of the weekend stands against. */
const WORKING = 5
const WEEKEND = 5 / 2
/** The years over which the mean length of a season is taken: the calendar repeats after them. */
const CYCLE = 400

/**
 * The mean length of each season over the 400 years in which the calendar repeats.
 *
 * @param seasons m, 12 or 4
 * @example meanDays(12)[1] // 28.2425
 */
export function meanDays(seasons: number): readonly number[] {
  return Array.from({ length: seasons }, (_, k) => {
    const lengths = Array.from({ length: CYCLE }, (_, year) =>
      lengthOf(daysOf({ cycle: 2000 + year, season: k + 1 }, seasons)),
    )
    return mean(lengths)!
  })
}

/** Mean lengths, once for each number of seasons: they are asked at every period. */
const MEAN_DAYS = new Map<number, readonly number[]>()
function meanDaysOf(seasons: number): readonly number[] {
  const known = MEAN_DAYS.get(seasons) ?? meanDays(seasons)
  MEAN_DAYS.set(seasons, known)
  return known
}

export function lengthOf({ first, last }: DaySpan): number {
  return last - first + 1
}

/**
 * Six columns of trading days: how many Mondays, …, Saturdays there are, less the Sundays.
 *
 * The effect of a Sunday is minus the sum of the six, so that all seven come to nothing over whole weeks.
 *
 * @example of a month with five Mondays and four Sundays the first is 1
 */
export function tradingDays(axis: CivilAxis): DesignColumn[] {
  // The six ask for the same period one after the other.
  const countsAt = remembered((t) => weekdayCounts(daysAt(axis, t)))
  return WEEKDAYS.slice(0, -1).map((name, k) => ({
    name,
    label: `${name}s`,
    means: `${name}s − Sundays`,
    at: (t) => countsAt(t)[k]! - countsAt(t)[6]!,
  }))
}

/**
 * One column of trading days: weekdays less 5/2 of the days at weekends, which is 0 over whole weeks.
 *
 * @example of 23 weekdays and 8 days at weekends: 3
 */
export function weekdays(axis: CivilAxis): DesignColumn {
  return {
    name: 'weekdays',
    label: 'weekdays',
    means: 'weekdays − 5/2 × days at weekends',
    at: (t) => {
      const counts = weekdayCounts(daysAt(axis, t))
      const working = counts.slice(0, WORKING).reduce((sum, count) => sum + count, 0)
      return working - WEEKEND * (counts[5]! + counts[6]!)
    },
  }
}

/** What the six columns of {@link tradingDays} say of a Sunday: weights on the effects of columns by their names. */
export function weightsOfSunday(names: readonly string[]): number[] {
  const six: readonly string[] = WEEKDAYS.slice(0, -1)
  return names.map((name) => (six.includes(name) ? -1 : 0))
}

/** The effect of a day at weekends, as a multiple of that of {@link weekdays}. */
export const WEEKEND_DAY = -WEEKEND

/** Days of the period less the mean length of its season. */
export function lengthOfPeriod(axis: CivilAxis): DesignColumn {
  return {
    name: 'lengthOfPeriod',
    label: 'length of period',
    means: 'days − mean days of the season',
    at: (t) =>
      lengthOf(daysAt(axis, t)) - meanDaysOf(axis.calendar.seasons)[axis.periodAt(t).season - 1]!,
  }
}

/** 0.75 where a February has 29 days, −0.25 where it has 28, 0 in every other period. */
export function leapYear(axis: CivilAxis): DesignColumn {
  const season = axis.calendar.seasons === 12 ? 2 : 1
  return {
    name: 'leapYear',
    label: 'leap day',
    means: '0.75 with 29 February, −0.25 without',
    at: (t) => {
      const period = axis.periodAt(t)
      if (period.season !== season) return 0
      return isLeapYear(period.cycle) ? 0.75 : -0.25
    },
  }
}

/** Days of the period as a multiple of the mean length of its season. @example of a February with 29 days: 1.0268… */
export function divisionFactor(axis: CivilAxis, t: number): number {
  return lengthOf(daysAt(axis, t)) / meanDaysOf(axis.calendar.seasons)[axis.periodAt(t).season - 1]!
}
