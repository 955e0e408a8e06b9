import { weekdayOf } from '../../core/calendar/civil'
import type { Inquiry } from '../inquiry'
import { hoursCountFrom, readHour } from '../periods/hourText'
import { dayNumber, isoWeekOf, thursdayOf, type PeriodReading } from '../periods/periodReading'
import { weekdayByName } from '../periods/weekdayNames'
import type { Extraction, Observation, RawSeries } from './observations'

/** A kind of name that says which part of its period a value belongs to. */
interface PartKind {
  /** What the parts are, of what, and how they are told apart from series. */
  readonly says: string
  readonly fewest: number
  /** The part that a name says; null for any other name. */
  readonly read: (name: string) => number | null
  /** The kind of period that the parts are of. */
  readonly of: (period: PeriodReading) => boolean
  /** The period of a part; null where it has none, as week 53 in a year of 52. */
  readonly within: (
    period: PeriodReading,
    part: number,
    parts: readonly number[],
  ) => PeriodReading | null
}

const A_DAY = 24
const A_WEEK = 7

const KINDS: readonly PartKind[] = [
  {
    says: 'the hours of a day',
    fewest: 20,
    read: readHour,
    of: (period) => period.kind === 'day' && period.hour === undefined,
    within(period, part, parts) {
      if (period.kind !== 'day') return null
      const hour = part - hoursCountFrom(parts)
      if (hour >= A_DAY) return null
      return hour === 0 ? period : { ...period, hour }
    },
  },
  {
    says: 'the days of a week',
    fewest: 5,
    read: weekdayByName,
    of: (period) => period.kind === 'week' || (period.kind === 'day' && period.hour === undefined),
    within(period, part, parts) {
      if (period.kind === 'week') {
        const monday = thursdayOf(period.year, period.week).getTime() / DAY - 3
        return readingOf(monday + part)
      }
      if (period.kind !== 'day') return null
      const dated = dayNumber(period.year, period.month, period.day)
      const own = weekdayOf(dated)
      // A week is dated by its first day or by its last, as its columns are in order.
      if (own === parts[0]) return readingOf(dated + ((part - own + A_WEEK) % A_WEEK))
      if (own === parts.at(-1)) return readingOf(dated - ((own - part + A_WEEK) % A_WEEK))
      return null
    },
  },
  {
    says: 'the weeks of a year',
    fewest: 50,
    read(name) {
      const week = Number(/^(?:w|wk|kw|week|woche|semaine|semana)?\.? ?(\d{1,2})$/i.exec(name)?.[1])
      return week >= 1 && week <= 53 ? week : null
    },
    of: ({ kind }) => kind === 'year',
    within(period, part) {
      const thursday = thursdayOf(period.year, part).getTime() / DAY
      // A year without a 53rd week has its column all the same.
      return isoWeekOf(thursday).year === period.year
        ? { kind: 'week', year: period.year, week: part }
        : null
    },
  },
]
const DAY = 86_400_000

/** Behind which the names of keys and columns are put together. */
const SEPARATOR = ' · '

/**
 * Puts columns or rows that are the hours of a day, the days of a week or the weeks of a year together into one series of them,
 * unless told that they are series.
 */
export function withPartsOfPeriods(extraction: Extraction, inquiry: Inquiry): Extraction {
  const { series } = extraction
  for (const kind of KINDS) {
    const split = series.map((own) => splitName(own, kind))
    if (!split.every((own) => own !== null) || split.length < kind.fewest) continue
    const parts = [...new Set(split.map(({ part }) => part))]
    const isOf = series.every(({ observations }) =>
      observations.every(({ period }) => kind.of(period)),
    )
    if (parts.length < kind.fewest || !isOf || !areRead(series, split, kind, parts)) continue
    const answer = inquiry.ask({
      id: 'parts',
      ask: `"${series[0]!.name.slice(0, 40)}" to "${series.at(-1)!.name.slice(0, 40)}" look like ${kind.says}. Are they?`,
      options: [
        { value: 'one', consequence: `Yes: together they are one series.` },
        { value: 'apart', consequence: 'No: each is a series by itself.' },
      ],
      otherwise: 'one',
    })
    return answer === 'apart'
      ? extraction
      : { ...extraction, series: putTogether(split, kind, parts) }
  }
  return extraction
}

interface Split {
  readonly own: RawSeries
  readonly part: number
  /** What is left of the name. */
  readonly rest: string
}

function splitName(own: RawSeries, kind: PartKind): Split | null {
  const names = own.name.split(SEPARATOR)
  const at = names.findIndex((name) => kind.read(name.trim()) !== null)
  if (at < 0) return null
  return { own, part: kind.read(names[at]!.trim())!, rest: names.toSpliced(at, 1).join(SEPARATOR) }
}

/** Whether every value that is there has a period. */
function areRead(
  series: readonly RawSeries[],
  split: readonly Split[],
  kind: PartKind,
  parts: readonly number[],
): boolean {
  return series.every(({ observations }, i) =>
    observations.every(
      ({ period, cell }) => cell === '' || kind.within(period, split[i]!.part, parts) !== null,
    ),
  )
}

function putTogether(
  split: readonly Split[],
  kind: PartKind,
  parts: readonly number[],
): RawSeries[] {
  const groups = new Map<string, Split[]>()
  for (const one of split) groups.set(one.rest, [...(groups.get(one.rest) ?? []), one])
  return [...groups].map(([rest, members]) => {
    const { unit, measure } = members[0]!.own
    const isMeasure = measure !== undefined && kind.read(measure) === null
    return {
      ...(measure === undefined ? {} : { measure: isMeasure ? measure : rest }),
      name: rest || (isMeasure ? measure : ''),
      unit,
      observations: members.flatMap(({ own, part }) =>
        own.observations.flatMap((seen): Observation[] => {
          const period = kind.within(seen.period, part, parts)
          return period ? [{ ...seen, period }] : []
        }),
      ),
    }
  })
}

function readingOf(day: number): PeriodReading {
  const date = new Date(day * DAY)
  return {
    ...{ kind: 'day', year: date.getUTCFullYear() },
    ...{ month: date.getUTCMonth() + 1, day: date.getUTCDate() },
  } as PeriodReading
}
