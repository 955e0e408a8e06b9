import type { Calendar } from '../../core/calendar/calendar'
import { axisOf } from '../../core/calendar/axis'
import type { Period } from '../../core/calendar/period'
import type { ValuedSeries } from '../numbers/readValues'
import { rhythmOf } from '../../core/calendar/rhythms'
import { median } from '../../core/statistics/average'
import { dayOf, periodOf, type RowFrequency } from './commonCalendar'
import { distinct } from './grouped'

const WEEK = 7
/** A month within has too few rows below this share of the least that it has in other years, */
const TOO_FEW = 0.7
/** as long as that is so many. */
const MANY = 8

/** What is known of the rows of one period. */
interface Held {
  readonly period: Period
  /** Days from the beginning of the period to its first row, and from its last row to the end. */
  readonly before: number
  readonly after: number
  readonly days: number
}

/**
 * Periods whose rows are not all there: the first and the last where rows begin later or end earlier than they usually are from
 * each other, and than in the same months of other years; those within that lack a week, or have far fewer days than in any
 * other year.
 *
 * @param series with rows that come more often than the periods of the calendar
 * @returns in the order of time
 */
export function incompletePeriods(
  series: readonly ValuedSeries[],
  calendar: Calendar,
  rows: RowFrequency,
): Period[] {
  const days = [...new Set(distinct(series).map(dayOf))].sort((a, b) => a - b)
  const held = heldBy(series, calendar)
  if (calendar.frequency === 'weekly') return shortWeeks(held)
  const [first, last] = [held[0]!, held.at(-1)!]
  const reach = usualStep(days, rows)
  const inOtherYears = ({ period }: Held) =>
    held.filter((own) => own.period.season === period.season && own.period.cycle !== period.cycle)
  const beginsLate =
    first.before >= reach && inOtherYears(first).every(({ before }) => before < first.before)
  const endsEarly =
    last.after >= reach && inOtherYears(last).every(({ after }) => after < last.after)
  const gaps = rows === 'weekly' ? periodsOfMissingWeeks(days, calendar) : []
  const lacksRows = (own: Held) => {
    const others = inOtherYears(own).filter((one) => one !== first && one !== last)
    const least = Math.min(...others.map((one) => one.days))
    return others.length > 0 && least >= MANY && own.days < TOO_FEW * least
  }
  return held
    .filter((own) => {
      if (own === first && beginsLate) return true
      if (own === last && endsEarly) return true
      const isWithin = own !== first && own !== last
      const hasGap = ({ period }: Held) => gaps.some((gap) => isSame(gap, period))
      const others = inOtherYears(own)
      // Shops that close in the same weeks every year lack nothing.
      const isGap = hasGap(own) && !(others.length > 0 && others.every(hasGap))
      return isGap || (isWithin && rows !== 'weekly' && lacksRows(own))
    })
    .map(({ period }) => period)
}

/** Weeks with fewer days than there usually are: at either end any, within by more than a holiday or two. */
function shortWeeks(held: readonly Held[]): Period[] {
  const usual = median(held.map(({ days }) => days))!
  const isEnd = (at: number) => at === 0 || at === held.length - 1
  return held
    .filter(({ days }, at) => days < (isEnd(at) ? usual : TOO_FEW * usual))
    .map(({ period }) => period)
}

export function isSame(a: Period, b: Period): boolean {
  return a.cycle === b.cycle && a.season === b.season && a.again === b.again
}

/** The periods that have rows, in the order of time. */
function heldBy(series: readonly ValuedSeries[], calendar: Calendar): Held[] {
  const { countOf } = rhythmOf(calendar)
  const byPeriod = new Map<number, { period: Period; days: Set<number> }>()
  for (const reading of distinct(series)) {
    const period = periodOf(reading, calendar)
    const key = countOf(period)
    const known = byPeriod.get(key) ?? { period, days: new Set<number>() }
    known.days.add(dayOf(reading))
    byPeriod.set(key, known)
  }
  return [...byPeriod]
    .sort(([a], [b]) => a - b)
    .map(([, { period, days }]) => ({
      period,
      before: Math.min(...days) - axisOf({ calendar, start: period }).firstDay(1)!,
      after: axisOf({ calendar, start: period }).firstDay(2)! - 1 - Math.max(...days),
      days: days.size,
    }))
}

/** Periods of the weeks between the first and the last that have no row; a week belongs to that of its Thursday. */
function periodsOfMissingWeeks(days: readonly number[], calendar: Calendar): Period[] {
  const found: Period[] = []
  days.forEach((day, i) => {
    for (let missing = (days[i - 1] ?? day) + WEEK; missing < day; missing += WEEK) {
      const date = new Date(missing * 86_400_000)
      const months = date.getUTCFullYear() * 12 + date.getUTCMonth()
      found.push({
        cycle: Math.floor(months / 12),
        season: Math.floor((months % 12) / (12 / calendar.seasons)) + 1,
      })
    }
  })
  return found
}

/** Days that rows are apart at most, but for one gap in twenty; months count by their own length. */
function usualStep(days: readonly number[], rows: RowFrequency): number {
  if (rows === 'weekly') return WEEK
  const steps = days
    .slice(1)
    .map((day, i) => day - days[i]!)
    .sort((a, b) => a - b)
  const usual = steps[Math.floor(steps.length * 0.95)] ?? 1
  return rows === 'daily' || rows === 'hourly' ? Math.max(1, usual) : usual + 1
}
