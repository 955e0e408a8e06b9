import ICAL from 'ical.js'
import { Refusal } from '../../core/refusal'
import { inOrder, writtenDay, type NamedDates, type WantedYears } from './namedDates'

/** Days of one event, and occurrences of one rule, at the most: a rule may have no end. */
const MOST_DAYS = 366
const MOST_OCCURRENCES = 20_000

/** Whether a text is a calendar's file. */
export function isCalendarFile(text: string): boolean {
  return /^\s*BEGIN:VCALENDAR/i.test(text)
}

/**
 * The events of an iCalendar file, those of one name in one list, rules of recurrence carried out.
 *
 * A day is taken as the file writes it: an event of some hours belongs to the day that it begins on in its own time zone, one
 * of several whole days has each of them.
 *
 * @param years that are wanted; a rule without an end goes no further
 * @returns in the order of the file; events of other years are left out
 * @throws Refusal for a file that cannot be read, and for one without an event in these years
 * @see Desruisseaux, B. (2009), RFC 5545, Internet Calendaring and Scheduling Core Object Specification
 */
export function datesOfCalendar(text: string, years: WantedYears): NamedDates[] {
  const lists = new Map<string, string[]>()
  for (const event of eventsIn(text)) {
    // A change of one occurrence stands beside the rule, and is found by it.
    if (event.isRecurrenceException()) continue
    const name = (event.summary ?? '').trim() || 'without a name'
    const dates = lists.get(name) ?? []
    lists.set(name, [...dates, ...daysOf(event, years)])
  }
  const named = [...lists].flatMap(([name, dates]) =>
    dates.length > 0 ? [{ name: name.slice(0, 100), dates: inOrder(dates) }] : [],
  )
  if (named.length > 0) return named
  throw new Refusal(
    `The calendar has no event from ${years.first} to ${years.last}. Take one that covers what is analysed and forecast.`,
    'dates',
  )
}

function eventsIn(text: string): ICAL.Event[] {
  try {
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[])
    const all = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one))
    for (const changed of all.filter((one) => one.isRecurrenceException())) {
      all
        .find((one) => !one.isRecurrenceException() && one.uid === changed.uid)
        ?.relateException(changed)
    }
    return all
  } catch (error) {
    throw new Refusal(
      `This is no calendar that can be read (${(error as Error).message.slice(0, 80)}). Save it again as iCalendar (.ics).`,
      'dates',
    )
  }
}

/** Every day of an event within the years, and of each of its occurrences. */
function daysOf(event: ICAL.Event, { first, last }: WantedYears): string[] {
  if (!event.isRecurring()) return wholeDays(event.startDate, event.endDate, first, last)
  const days: string[] = []
  const occurrences = event.iterator()
  for (let i = 0; i < MOST_OCCURRENCES; i++) {
    const next = occurrences.next() as ICAL.Time | undefined
    if (!next || next.year > last) break
    const { startDate, endDate } = event.getOccurrenceDetails(next)
    days.push(...wholeDays(startDate, endDate, first, last))
  }
  return days
}

/** Days from a start to an end that is itself no part of it where whole days are meant. */
function wholeDays(start: ICAL.Time, end: ICAL.Time | null, first: number, last: number): string[] {
  const days: string[] = []
  const day = start.clone()
  day.isDate = true
  for (let i = 0; i < MOST_DAYS; i++) {
    if (day.year >= first && day.year <= last) days.push(writtenDay(day.year, day.month, day.day))
    day.adjust(1, 0, 0, 0)
    if (!start.isDate || !end || day.compareDateOnlyTz(end, ICAL.Timezone.localTimezone) >= 0) break
  }
  return days
}
