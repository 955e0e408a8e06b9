import type { Calendar } from '../../core/calendar/calendar'
import { countPeriods, periodLabel } from '../../core/calendar/labels'
import type { Series } from '../../core/series/series'
import { Unreadable, whole, type Inquiry } from '../inquiry'
import type { ReadSeries } from '../reading'

/** Beyond this share of periods without a value, a reading of the periods is doubted. */
const MOSTLY = 0.5
/** Shorter series are seen at a glance. */
const FEWEST = 24

/**
 * Asks about a reading that leaves most periods empty, whatever led to it: a counter taken for a year, a code for a date.
 *
 * @throws Waiting for an answer
 * @throws Unreadable when the periods are said to be wrong
 */
export function askIfMostlyEmpty(
  series: readonly ReadSeries[],
  calendar: Calendar,
  inquiry: Inquiry,
): void {
  const empty = series.filter(
    ({ series, missing }) =>
      series.values.length >= FEWEST &&
      missing > MOSTLY * series.values.length &&
      !hasSameSeasons(series, calendar),
  )
  const [first] = empty
  if (!first || empty.length <= series.length / 2) return
  const { name, start, values } = first.series
  const answer = inquiry.ask({
    id: 'mostly-empty',
    ask: `Of ${countPeriods(values.length, calendar)} from ${periodLabel(start, calendar)} on, ${first.missing} of "${name.slice(0, 60)}" would have no value. Are the periods right?`,
    options: [
      {
        value: 'stop',
        consequence: 'No: nothing is read. Say below which column holds the periods.',
      },
      { value: 'keep', consequence: 'Yes: what has no row is missing.' },
    ],
  })
  if (answer === 'stop') {
    throw new Unreadable([
      whole(
        'The periods that were read are not those of the rows. Say which column holds them (role.N=period), or write them like 2021-03.',
      ),
    ])
  }
}

/** Whether every year has values in the same seasons: what sells in summer alone has none in between. */
function hasSameSeasons({ start, values }: Series, { seasons }: Calendar): boolean {
  const byYear = new Map<number, string>()
  values.forEach((value, i) => {
    const place = start.season - 1 + i
    const year = Math.floor(place / seasons)
    if (value !== null) byYear.set(year, `${byYear.get(year) ?? ''} ${(place % seasons) + 1}`)
  })
  return byYear.size > 1 && new Set(byYear.values()).size === 1
}
