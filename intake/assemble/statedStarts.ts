import type { Inquiry } from '../inquiry'
import type { ValuedSeries } from '../numbers/readValues'
import type { PeriodReading } from '../periods/periodReading'
import { SEASONS } from '../periods/seasonNames'

const MONTHS =
  'January February March April May June July August September October November December'.split(' ')
type Fiscal = PeriodReading & { kind: 'fiscal' }

/**
 * Periods whose place in the calendar only the analyst knows, put there: fiscal periods and quarters by the month in which that
 * year begins, named seasons by the one that comes first, thirteen periods as they are.
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
  const isThirteen = fiscal.some(({ of, period }) => of === 12 && period === 13)
  const first = fiscal.length > 0 && !isThirteen ? askForStart(fiscal[0]!, inquiry) : 1
  const firstSeason = named.length > 0 ? askForSeason(named[0]!.season, inquiry) : 1
  const placed = (period: PeriodReading): PeriodReading => {
    if (period.kind === 'named-season') {
      return {
        kind: 'quarter',
        year: period.year,
        quarter: ((period.season - firstSeason + 4) % 4) + 1,
      }
    }
    if (period.kind !== 'fiscal') return period
    return isThirteen
      ? { kind: 'season', year: period.year, season: period.period, of: 13 }
      : inCalendar(period, first)
  }
  const moved = series.map((own) => ({
    ...own,
    entries: own.entries.map((entry) => ({
      ...entry,
      at: { ...entry.at, period: placed(entry.at.period) },
    })),
  }))
  return named.length === 0
    ? { series: moved }
    : { series: moved, seasonNames: SEASONS.map((_, i) => SEASONS[(firstSeason - 1 + i) % 4]!) }
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

function askForSeason(first: number, inquiry: Inquiry): number {
  const order = [0, 1, 2, 3].map((i) => ((first - 1 + i) % 4) + 1)
  return Number(
    inquiry.ask({
      id: 'first-season',
      ask: 'Which season comes first in a year? Seasons are read as quarters.',
      options: order.map((season) => ({
        value: String(season),
        consequence: `${[0, 1, 2, 3].map((i) => `${SEASONS[(season - 1 + i) % 4]} is Q${i + 1}`).join(', ')}.`,
      })),
    }),
  )
}
