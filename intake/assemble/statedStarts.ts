import type { Inquiry } from '../inquiry'
import type { ValuedSeries } from '../numbers/readValues'
import type { PeriodReading } from '../periods/periodReading'
import { SEASONS } from '../periods/seasonNames'
import { isSeasonOfItsOwn } from './thirteenth'

const MONTHS =
  'January February March April May June July August September October November December'.split(' ')
type Fiscal = PeriodReading & { kind: 'fiscal' }

/**
 * Periods whose place in the calendar only the analyst knows, put there: fiscal periods and quarters by the month in which that
 * year begins, named seasons by the one that comes first, thirteen periods as they are unless the last is none.
 *
 * @returns the series, and the names of their seasons where they have some
 * @throws Waiting for an answer
 */
export function withStatedStarts(
  series: readonly ValuedSeries[],
  inquiry: Inquiry,
): { readonly series: readonly ValuedSeries[]; readonly seasonNames?: readonly string[] } {
  const readings = new Set(series.flatMap(({ entries }) => entries.map(({ at }) => at.period)))
  const fiscal = [...readings].filter((reading) => reading.kind === 'fiscal')
  const named = [...readings].filter((reading) => reading.kind === 'named-season')
  if (fiscal.length === 0 && named.length === 0) return { series }
  const hasThirteenth = fiscal.some(({ of, period }) => of === 12 && period === 13)
  const isThirteen = hasThirteenth && isSeasonOfItsOwn(series, inquiry)
  const first = fiscal.length > 0 && !isThirteen ? askForStart(fiscal[0]!, inquiry) : 1
  const order = named.length > 0 ? askForSeasons(named, inquiry) : []
  const placed = (period: PeriodReading): PeriodReading => {
    if (period.kind === 'named-season') return inOrderOf(order, period)
    if (period.kind !== 'fiscal') return period
    return isThirteen
      ? { kind: 'season', year: period.year, season: period.period, of: 13 }
      : inCalendar(period, first)
  }
  const moved = series.map((own) => ({
    ...own,
    entries: own.entries
      .filter(({ at: { period } }) => isThirteen || period.kind !== 'fiscal' || period.period <= 12)
      .map((entry) => ({ ...entry, at: { ...entry.at, period: placed(entry.at.period) } })),
  }))
  return named.length === 0
    ? { series: moved }
    : { series: moved, seasonNames: order.map((season) => SEASONS[season - 1]!) }
}

/** A season at its place among those that the file has: four are quarters, two half-years. */
function inOrderOf(
  order: readonly number[],
  { year: named, season, spansYears }: PeriodReading & { kind: 'named-season' },
): PeriodReading {
  const at = order.indexOf(season) + 1
  const year = spansYears && at > 1 ? named - 1 : named
  switch (order.length) {
    case 4:
      return { kind: 'quarter', year, quarter: at }
    case 2:
      return { kind: 'half-year', year, half: at }
    case 1:
      return { kind: 'year', year }
    default:
      return { kind: 'season', year, season: at, of: order.length }
  }
}

function askForStart(example: Fiscal, inquiry: Inquiry): number {
  const { year, of } = example
  const what = of === 4 ? 'Q1' : of === 12 ? 'P01' : 'Its first month'
  return Number(
    inquiry.ask({
      id: 'fiscal-start',
      ask: `In which month does the fiscal year begin? ${of === 'months' ? `The year ${year} ends before that month comes again.` : `${what} begins with that month.`}`,
      options: MONTHS.map((month, i) => ({
        value: String(i + 1),
        consequence: `${what} of ${year} is ${of === 4 ? 'from ' : ''}${month} ${i === 0 ? year : year - 1}${of === 4 ? ' on' : ''}.`,
      })),
    }),
  )
}

/**
 * A fiscal period in the calendar. The year is called after the one it ends in. A quarter that begins in the middle of a
 * calendar quarter takes the place of the one that its middle month lies in.
 */
export function inCalendar({ year, period, of }: Fiscal, firstMonth: number): PeriodReading {
  const before = firstMonth === 1 ? year : year - 1
  if (of === 'months') {
    const own = firstMonth > 1 && period >= firstMonth ? year - 1 : year
    return { kind: 'month', year: own, month: period }
  }
  const months = before * 12 + firstMonth - 1 + (of === 4 ? (period - 1) * 3 + 1 : period - 1)
  const [calendarYear, month] = [Math.floor(months / 12), months % 12]
  return of === 4
    ? { kind: 'quarter', year: calendarYear, quarter: Math.floor(month / 3) + 1 }
    : { kind: 'month', year: calendarYear, month: month + 1 }
}

/** @returns the seasons of the file, 1 to 4, in their order */
function askForSeasons(
  named: readonly (PeriodReading & { kind: 'named-season' })[],
  inquiry: Inquiry,
): readonly number[] {
  const present = new Set(named.map(({ season }) => season))
  const [{ season: first }] = named as [(typeof named)[number]]
  const from = (start: number) =>
    [0, 1, 2, 3].map((i) => ((start - 1 + i) % 4) + 1).filter((season) => present.has(season))
  if (present.size === 1) return [first]
  const PLACES: Partial<Record<number, string>> = { 2: 'half-years', 4: 'quarters' }
  const letter = { 2: 'H', 4: 'Q' }[present.size] ?? 'season '
  const answer = inquiry.ask({
    id: 'first-season',
    ask: `Which season comes first in a year? Seasons are read as ${PLACES[present.size] ?? `${present.size} seasons of a year`}.`,
    options: from(first).map((season) => ({
      value: String(season),
      consequence: `${from(season)
        .map((one, i) => `${SEASONS[one - 1]} is ${letter}${i + 1}`)
        .join(', ')}.`,
    })),
  })
  return from(Number(answer))
}
