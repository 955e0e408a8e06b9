import type { Calendar } from '../../core/calendar/calendar'
import { seasonLabel } from '../../core/calendar/labels'
import { axisOf } from '../../core/calendar/axis'
import type { Series, Value } from '../../core/series/series'
import { Unreadable, whole, type Inquiry } from '../inquiry'
import { SO_FAR } from '../layouts/words'
import type { ReadSeries } from '../reading'
import { madeOfOthers } from './madeOf'

/** Headings of what is made of the last periods together. */
const ROLLING =
  /\b(rolling|moving|trailing|gleitend\w*|glissant\w*|mat|ltm|ttm|r12|12[- ]?months?|m[oó]vil(es)?|mobile)\b/i
/** Years that begin anew, from which values tell by themselves that they are added up; under a heading that says so one will do. */
const FEWEST_TURNS = 2
/** A year begins anew where a value falls below this share of the one before. */
const ANEW = 0.5

/**
 * Asks about values that add up the year so far, by their heading or since they rise all year and begin anew each year: what
 * they rise by is what was sold.
 *
 * @throws Waiting for an answer
 */
export function withoutCumulation(
  all: readonly ReadSeries[],
  calendar: Calendar,
  inquiry: Inquiry,
): readonly ReadSeries[] {
  const begins = new Map(
    all.flatMap((own): [ReadSeries, number][] => {
      const season = beginsAnew(own.series, calendar)
      if (season !== null) return [[own, season]]
      // Within one year nothing falls back, and where values are missing it does not in every year: the heading tells.
      return SO_FAR.test(own.series.name)
        ? [[own, mostlyFallsIn(own.series, calendar) ?? calendar.yearStart]]
        : []
    }),
  )
  const [first] = begins
  if (!first || calendar.seasons < 2) return all
  const [example, season] = first
  const names = [...begins.keys()].map(({ series }) => `"${series.name.slice(0, 60)}"`)
  const said =
    names.length > 3
      ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`
      : names.join(', ')
  const apart = differences(example, season)
  const answer = inquiry.ask({
    id: 'cumulated',
    ask: `${said}: ${SO_FAR.test(example.series.name) ? 'by the heading' : 'since each year only rises and begins anew'}, the year so far from ${seasonLabel(season, calendar)} on. Is it?`,
    options: [
      {
        value: 'differences',
        consequence: `Yes: what it rises by is read, as ${exampleOf(apart, calendar)}.`,
      },
      {
        value: 'keep',
        consequence: `No: the values are read as they are, as ${exampleOf(example, calendar)}.`,
      },
    ],
  })
  if (answer === 'keep') return all
  inquiry.note('cumulated', `${said}: of the year so far the differences were read.`)
  return all.map((own) => (begins.has(own) ? differences(own, begins.get(own)!) : own))
}

/**
 * Leaves columns out that are made of the last periods together, by their heading or since they add another up.
 *
 * @throws Waiting for an answer, where there is nothing else
 * @throws Unreadable when that is no series
 */
export function withoutRolling(
  all: readonly ReadSeries[],
  calendar: Calendar,
  inquiry: Inquiry,
): readonly ReadSeries[] {
  const made = madeOfOthers(all, calendar)
  const rolling = all.filter((own) => made.has(own) || ROLLING.test(own.series.name))
  const others = all.filter((own) => !rolling.includes(own))
  const [first] = rolling
  if (!first) return all
  const said = rolling
    .slice(0, 5)
    .map((own) => {
      const how = made.get(own) ?? 'made of the last periods together, by the heading'
      return `"${own.series.name.slice(0, 60)}" is ${how}`
    })
    .join('; ')
  const words = rolling.length > 5 ? `${said}; and ${rolling.length - 5} more` : said
  const answer = inquiry.ask({
    id: 'rolling',
    ask: `${words}. ${rolling.length === 1 ? 'Is it a series' : 'Are they series'}?`,
    options: [
      others.length > 0
        ? { value: 'leave-out', consequence: `No: the others are read, ${others.length} series.` }
        : {
            value: 'stop',
            consequence: 'No: nothing is read; the file lacks the values themselves.',
          },
      { value: 'keep', consequence: 'Yes: what is there is read as it is.' },
    ],
    // Alone it is all that there is, and nobody knows what it was made of.
    ...(others.length > 0 ? { otherwise: 'leave-out' } : {}),
  })
  if (answer === 'keep') return all
  if (answer === 'stop') {
    throw new Unreadable([whole(`${words}. Bring the values themselves in.`)])
  }
  inquiry.note('rolling', `Not read: ${words}.`)
  return others
}

/** The season in which values begin anew every year and rise until then; null where they do not. */
function beginsAnew({ name, start, values }: Series, { seasons }: Calendar): number | null {
  if (seasons < 4 || values.length <= seasons || values.includes(null)) return null
  const seasonOf = (i: number) => ((start.season - 1 + i) % seasons) + 1
  const falls = values.flatMap((value, i) => (i > 0 && value! < values[i - 1]! ? [i] : []))
  const [first] = falls
  if (first === undefined || (falls.length < FEWEST_TURNS && !SO_FAR.test(name))) return null
  const season = seasonOf(first)
  const turns = values.flatMap((_, i) => (i > 0 && seasonOf(i) === season ? [i] : []))
  const isEach =
    turns.length === falls.length &&
    falls.every((at, k) => at === turns[k] && values[at]! < ANEW * values[at - 1]!)
  return isEach && values.every((value) => value! >= 0) ? season : null
}

/** The season in which most of the values fall that fall at all; null where none does. */
function mostlyFallsIn({ start, values }: Series, { seasons }: Calendar): number | null {
  const falls = new Map<number, number>()
  let before: number | null = null
  values.forEach((value, i) => {
    if (value === null) return
    const season = ((start.season - 1 + i) % seasons) + 1
    if (before !== null && value < before) falls.set(season, (falls.get(season) ?? 0) + 1)
    before = value
  })
  const [most] = [...falls].sort((a, b) => b[1] - a[1])
  return most?.[0] ?? null
}

/** What values rise by within each year; a first one in the middle of a year is left out, since nothing is known before. */
function differences(own: ReadSeries, season: number): ReadSeries {
  const { values } = own.series
  const { seasonOf, periodAt } = axisOf(own.series)
  const isFirst = (i: number) => seasonOf(i + 1) === season
  const risen = values.map((value, i): Value => {
    if (isFirst(i)) return value
    const before = values[i - 1] ?? null
    return value === null || before === null ? null : Number((value - before).toPrecision(15))
  })
  const from = risen.findIndex((value) => value !== null)
  if (from < 0) return own
  const kept = risen.slice(from)
  return {
    ...own,
    series: { ...own.series, start: periodAt(from + 1), values: kept },
    missing: kept.filter((value) => value === null).length,
  }
}

function exampleOf({ series: { values, start } }: ReadSeries, calendar: Calendar): string {
  const { label } = axisOf({ calendar, start })
  return values
    .slice(0, 2)
    .map((value, i) => `${label(i + 1)} ${value === null ? '–' : value.toLocaleString('en')}`)
    .join(', ')
}
