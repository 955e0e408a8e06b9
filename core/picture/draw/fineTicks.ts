import { axisOf, type Axis } from '../../calendar/axis'
import type { Calendar } from '../../calendar/calendar'
import { dateOf, mondayOf, type Day } from '../../calendar/civil'
import { seasonLabel } from '../../calendar/labels'
import { MONTHS } from '../../calendar/rhythms/monthNames'
import type { Series } from '../../series/series'
import type { AxisTick } from './axisTick'
import { columnWidth, periodsInside, xOf, type TimeAxis } from './timeAxis'

/** What a label names, and what begins where it stands. */
interface Mark {
  /** The same for all periods of what is named, and another in the next. */
  readonly keyOf: (day: Day) => number
  /** About how many days it lasts. */
  readonly days: number
  readonly nameOf: (day: Day) => string
  /** What stands below, where it begins. */
  readonly below: 'year' | 'nothing'
}

/** Least distance between two labels like `29 Jan`. */
const EVERY_PX = 46
/** Columns of this width have a label each. */
const EACH_PX = 34
/** Half the width of a label. */
const HALF_A_LABEL_PX = 18

const MARKS: readonly Mark[] = [
  { keyOf: (day) => day, days: 1, nameOf: dateAndMonth, below: 'year' },
  { keyOf: mondayOf, days: 7, nameOf: dateAndMonth, below: 'year' },
  ...[1, 3].map((months): Mark => ({
    keyOf: (day) => Math.floor(monthsOf(day) / months),
    days: 30.4 * months,
    nameOf: (day) => MONTHS[dateOf(day).month - 1]!,
    below: 'year',
  })),
  ...[1, 2, 5, 10, 20, 50, 100].map((years): Mark => ({
    keyOf: (day) => Math.floor(dateOf(day).year / years),
    days: 365.25 * years,
    nameOf: (day) => String(dateOf(day).year),
    below: 'nothing',
  })),
]

const DAYS_A_PERIOD: Partial<Record<Calendar['frequency'], number>> = {
  weekly: 7,
  daily: 1,
  hourly: 1 / 24,
}

/**
 * The labels of weeks, days or hours in the window: every one while there is room, then days, weeks, months, quarters
 * and years, each where it begins.
 */
export function fineTicks(
  axis: TimeAxis,
  series: Pick<Series, 'calendar' | 'start'>,
  lastActual: number,
): AxisTick[] {
  const time = axisOf(series)
  const width = columnWidth(axis)
  const tickAt = (t: number, season: string, year: string, isYearStart: boolean): AxisTick => ({
    ...{ t, season, year, isYearStart, isForecast: t > lastActual },
    x: Math.max(xOf(axis, t), HALF_A_LABEL_PX),
  })
  const inside = periodsInside(axis)
  if (width >= EACH_PX) {
    return inside.map((t, i) => {
      const begins = beginsCycle(time, t)
      const below = begins || i === 0 ? cycleName(time, t) : ''
      return tickAt(t, seasonLabel(time.seasonOf(t), time.calendar), below, begins)
    })
  }
  const mark = markFor(width / DAYS_A_PERIOD[series.calendar.frequency]!)
  let before = inside.length > 0 ? keyAt(mark, time, inside[0]! - 1) : null
  const starts = inside.filter((t) => {
    const own = keyAt(mark, time, t)
    const isNew = own !== before
    before = own
    return isNew
  })
  return starts.map((t, i) => {
    const day = dayIn(time, t)
    const { year } = dateOf(day)
    const isNew = i === 0 || year !== dateOf(dayIn(time, starts[i - 1]!)).year
    return mark.below === 'year'
      ? tickAt(t, mark.nameOf(day), isNew ? String(year) : '', isNew)
      : tickAt(t, '', mark.nameOf(day), true)
  })
}

/** The finest that has room. */
function markFor(dayWidth: number): Mark {
  return MARKS.find(({ days }) => days * dayWidth >= EVERY_PX) ?? MARKS.at(-1)!
}

function keyAt({ keyOf }: Mark, time: Axis, t: number): number {
  return keyOf(dayIn(time, t))
}

/** The day by which a period is named: of a week its Thursday, which says the year and month it belongs to. */
function dayIn(time: Axis, t: number): Day {
  const first = time.firstDay(t)!
  return time.calendar.frequency === 'weekly' ? first + 3 : first
}

function beginsCycle(time: Axis, t: number): boolean {
  return time.periodAt(t).cycle !== time.periodAt(t - 1).cycle
}

function cycleName(time: Axis, t: number): string {
  return time.calendar.frequency === 'weekly'
    ? String(time.yearOf(t))
    : dateAndMonth(time.firstDay(t)!)
}

function dateAndMonth(day: Day): string {
  const { month, date } = dateOf(day)
  return `${date} ${MONTHS[month - 1]}`
}

function monthsOf(day: Day): number {
  const { year, month } = dateOf(day)
  return year * 12 + month - 1
}
