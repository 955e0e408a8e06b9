import { weekdayShares, type WeekdayShares } from '../../core/seasonality/weekdayShares'
import { calendarOf, isFinerThanMonths, type Calendar } from '../../core/calendar/calendar'
import { periodLabel } from '../../core/calendar/labels'
import { axisOf } from '../../core/calendar/axis'
import type { Period } from '../../core/calendar/period'
import type { Quantity } from '../../core/series/quantity'
import type { Value } from '../../core/series/series'
import { Unreadable, whole, type Inquiry } from '../inquiry'
import { LIMITS } from '../limits'
import type { ValuedSeries } from '../numbers/readValues'
import { isoWeekOf, type PeriodReading } from '../periods/periodReading'
import type { ReadSeries } from '../reading'
import { dayOf, periodOf, rowFrequency, type RowFrequency } from './commonCalendar'
import { withoutCumulation, withoutRolling } from './cumulated'
import { gather, type Gathering } from '../../core/series/gather'
import { distinct, group, inOrder, type Grouped } from './grouped'
import { incompletePeriods, isSame } from './incomplete'
import { quantityOf } from './levels'
import { withStatedStarts } from './statedStarts'
import { askIfMostlyEmpty } from './mostlyEmpty'
import { askForTradingDays } from './tradingDays'
import { targetOf } from './target'
import { noteCountedYears, noteGaps, noteOrder } from './axisNotes'
import { askAboutTwice } from './twice'

/**
 * Puts values into the periods of one calendar: finds how often the rows come, rolls days and weeks up to
 * months or quarters, asks about periods that come twice, and leaves a gap where a period is missing.
 *
 * @returns also the values as they were read, each at its place in that calendar
 * @throws Waiting for an answer
 * @throws Unreadable for periods that do not go together, or a time axis longer than the limit
 */
export function assemble(
  read: readonly ValuedSeries[],
  inquiry: Inquiry,
): { calendar: Calendar; series: ReadSeries[]; placed: readonly ValuedSeries[] } {
  const { series: stated, seasonNames } = withStatedStarts(
    read.filter(({ entries }) => entries.length > 0),
    inquiry,
  )
  if (stated.length === 0) throw new Unreadable([whole('No row has a period and a value.')])
  const rows = rowFrequency(distinct(stated))
  if (rows === null) throw new Unreadable([mixedKinds(stated)])
  const series = rows === 'weekly' ? byWeeks(stated) : stated
  const readings = distinct(series)
  const { frequency, how } =
    rows === 'seasons' ? { frequency: rows, how: null } : targetOf(rows, series, inquiry)
  const own = readings.find((reading) => reading.kind === 'season')
  const isByDays = frequency === 'daily' && rows === 'daily'
  const ownSeasons = isByDays
    ? { seasons: askForTradingDays(readings, inquiry) }
    : own && { seasons: own.of }
  const calendar = withNames(calendarOf(frequency, ownSeasons), own?.names ?? seasonNames)
  const assembled = how
    ? rollUp(series, calendar, rows, how, inquiry)
    : onePerPeriod(series, calendar, inquiry)
  noteOrder(series, inquiry)
  const kept = assembled.filter(({ series: { values } }) => values.some((value) => value !== null))
  for (const {
    series: { name },
  } of assembled.filter((one) => !kept.includes(one)).slice(0, 20)) {
    inquiry.note('no-values', `"${name.slice(0, 80)}" has no value in it and is left out.`)
  }
  if (kept.length === 0) throw new Unreadable([whole('No period has a value.')])
  askIfMostlyEmpty(kept, calendar, inquiry)
  noteGaps(kept, inquiry)
  noteCountedYears(kept, inquiry)
  // What adds up from the beginning of a year is told by months and quarters.
  const asked = isFinerThanMonths(calendar)
    ? kept
    : withoutCumulation(withoutRolling(kept, calendar, inquiry), calendar, inquiry)
  return { calendar, series: [...asked], placed: series }
}

function isShort({ frequency }: Calendar): boolean {
  return frequency === 'daily' || frequency === 'hourly'
}

/** The calendar with the names of its seasons, as long as it has those of the rows. */
function withNames(calendar: Calendar, names: readonly string[] | undefined): Calendar {
  const isOwn = names !== undefined && names.length > 1 && names.length === calendar.seasons
  return isOwn ? { ...calendar, seasonNames: names } : calendar
}

function mixedKinds(series: readonly ValuedSeries[]) {
  const entries = series.flatMap((own) => own.entries.map(({ at }) => at))
  const first = entries[0]!
  const other = entries.find(({ period }) => period.kind !== first.period.kind) ?? first
  return {
    line: other.line,
    column: null,
    because: `This line has a ${other.period.kind} where line ${first.line} has a ${first.period.kind}; a series has one of them.`,
  }
}

/** Days a week apart stand for the weeks that they lie in. */
function byWeeks(series: readonly ValuedSeries[]): ValuedSeries[] {
  const weeks = new Map<PeriodReading, PeriodReading>()
  const weekOf = (period: PeriodReading): PeriodReading => {
    if (period.kind !== 'day') return period
    const known = weeks.get(period) ?? { kind: 'week' as const, ...isoWeekOf(dayOf(period)) }
    weeks.set(period, known)
    return known
  }
  return series.map((own) => ({
    ...own,
    entries: own.entries.map((entry) => ({
      ...entry,
      at: { ...entry.at, period: weekOf(entry.at.period) },
    })),
  }))
}

/** Rows that come more often than periods; what is incomplete is left out until told otherwise. */
function rollUp(
  series: readonly ValuedSeries[],
  calendar: Calendar,
  rows: RowFrequency,
  how: (own: ValuedSeries) => Gathering,
  inquiry: Inquiry,
): ReadSeries[] {
  // A day or a week that the rows are themselves lacks none of them.
  const dropped =
    calendar.frequency === rows || isShort(calendar)
      ? []
      : withoutIncomplete(series, calendar, rows, inquiry)
  const isByDays = (rows === 'daily' || rows === 'hourly') && !isFinerThanMonths(calendar)
  const isDropped = (period: Period) => dropped.some((own) => isSame(own, period))
  return series.flatMap((own): ReadSeries[] => {
    const byPeriod = group(own, calendar)
    for (const [code, { period }] of byPeriod) if (isDropped(period)) byPeriod.delete(code)
    if (byPeriod.size === 0) return []
    const way = how(own)
    const quantity = way === 'sum' || way === 'count' ? 'flow' : 'level'
    const valueOf = (entries: Grouped['entries']) => gather(inOrder(entries), way)
    const read = layOut({ own, quantity }, byPeriod, calendar, valueOf, 0)
    return [way === 'sum' && isByDays ? { ...read, weekdays: weekdaysOf(own) } : read]
  })
}

function weekdaysOf({ entries }: ValuedSeries): WeekdayShares | null {
  return weekdayShares(entries.map(({ at, value }) => ({ day: dayOf(at.period), value })))
}

/** The periods that are left out since they are not complete, as it is asked. */
function withoutIncomplete(
  series: readonly ValuedSeries[],
  calendar: Calendar,
  rows: RowFrequency,
  inquiry: Inquiry,
): readonly Period[] {
  const found = incompletePeriods(series, calendar, rows)
  if (found.length === 0) return []
  const labels = found.map((period) => periodLabel(period, calendar))
  const names =
    labels.length > 4
      ? `${labels.slice(0, 3).join(', ')} and ${labels.length - 3} more`
      : labels.join(' and ')
  const [are, them] = found.length === 1 ? ['is', 'it'] : ['are', 'them']
  const why = 'rows begin later, end earlier or are missing within'
  const isAll = distinct(series).every((reading) => {
    const period = periodOf(reading, calendar)
    return found.some((own) => isSame(own, period))
  })
  // Without them there would be nothing.
  if (isAll) {
    inquiry.note('incomplete', `${names} ${are} not complete: ${why}.`)
    return []
  }
  const answer = inquiry.ask({
    id: 'incomplete',
    ask: `${names} ${are} not complete: ${why}. Keep ${them}?`,
    options: [
      { value: 'leave-out', consequence: `The series is without ${names}.` },
      { value: 'keep', consequence: 'Their values are those of fewer rows than the others have.' },
    ],
    otherwise: 'leave-out',
  })
  if (answer === 'keep') return []
  inquiry.note('incomplete', `${names} ${are} not complete and left out.`)
  return found
}

/** One row a period; a period that comes twice is a question. */
function onePerPeriod(
  series: readonly ValuedSeries[],
  calendar: Calendar,
  inquiry: Inquiry,
): ReadSeries[] {
  const grouped = series.map((own) => ({ own, byPeriod: group(own, calendar) }))
  const twice = grouped.flatMap(({ own, byPeriod }) =>
    [...byPeriod.values()]
      .filter(({ entries }) => entries.length > 1)
      .map((found) => ({ own, ...found })),
  )
  const how = twice.length === 0 ? null : askAboutTwice(twice, calendar, inquiry)
  return grouped.map(({ own, byPeriod }) =>
    layOut(
      { own, quantity: quantityOf(own) === 'flow' ? 'flow' : 'level' },
      byPeriod,
      calendar,
      (entries) =>
        entries.length === 1 || !how
          ? entries[0]!.value
          : gather(
              entries.map(({ value }) => value),
              how,
            ),
      [...byPeriod.values()].filter(({ entries }) => entries.length > 1).length,
    ),
  )
}

/** The values of a series from its first period to its last, missing where there is no row. */
function layOut(
  { own, quantity }: { readonly own: ValuedSeries; readonly quantity: Quantity },
  byPeriod: ReadonlyMap<number, Grouped>,
  calendar: Calendar,
  valueOf: (entries: Grouped['entries']) => Value,
  duplicates: number,
): ReadSeries {
  const filled = withoutEmptyEnds(
    [...byPeriod]
      .sort(([a], [b]) => a - b)
      .map(([, found]) => ({ ...found, value: valueOf(found.entries) })),
  )
  const start = filled[0]!.period
  const { tOf } = axisOf({ calendar, start })
  const length = tOf(filled.at(-1)!.period)
  if (length > LIMITS.periods) {
    throw new Unreadable([
      {
        line: filled.at(-1)!.entries[0]!.at.line,
        column: null,
        because: `This period lies ${length - 1} periods after the first one; is the year right? At most ${LIMITS.periods.toLocaleString('en')} periods are read.`,
      },
    ])
  }
  const values = Array<Value>(length).fill(null)
  for (const { period, value } of filled) values[tOf(period) - 1] = value
  const columns = new Set(own.entries.map(({ at }) => at.column))
  return {
    series: {
      name: own.name || 'Series',
      unit: own.unit,
      ...(quantity === 'level' ? { quantity } : {}),
      ...{ calendar, start, values },
    },
    column: columns.size === 1 ? [...columns][0]! : null,
    missing: values.filter((value) => value === null).length,
    duplicates,
  }
}

/** A matrix or a table of several series has blanks before a series begins and after it ends. */
function withoutEmptyEnds<T extends { readonly value: Value }>(
  periods: readonly T[],
): readonly T[] {
  const first = periods.findIndex(({ value }) => value !== null)
  if (first < 0) return periods
  return periods.slice(first, periods.findLastIndex(({ value }) => value !== null) + 1)
}
