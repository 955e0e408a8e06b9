import type { Calendar } from '../calendar/calendar'
import { periodLabel, seasonLabel } from '../calendar/labels'
import { formatPeriod, periodAt } from '../calendar/period'
import type { RefusalNames } from '../refusal'
import type { Series, Value } from './series'

/** The part of a series that is analysed; its time codes are those of the whole series. */
export interface Stretch {
  readonly calendar: Calendar
  /** Time code of the first entry. */
  readonly firstT: number
  readonly values: readonly Value[]
  /** Season, 1..m, of each entry. */
  readonly seasonOf: readonly number[]
  seasonName(season: number): string
  /** How an entry (from 0) is called in a refusal. */
  periodOf(entry: number): { code: string; label: string; names: RefusalNames }
}

/**
 * Cuts the periods `firstT`…`lastT` out of a series. The time code is not renumbered, and nothing
 * outside is seen by what works on the stretch.
 */
export function stretchOf(series: Series, firstT: number, lastT: number): Stretch {
  const { calendar, start } = series
  const at = (entry: number) => periodAt(start, firstT + entry, calendar.seasons)
  const values = series.values.slice(firstT - 1, lastT)
  return {
    calendar,
    firstT,
    values,
    seasonOf: values.map((_, i) => at(i).season),
    seasonName: (season) => seasonLabel(season, calendar),
    periodOf: (entry) => {
      const period = at(entry)
      return {
        code: formatPeriod(period, calendar),
        label: periodLabel(period, calendar),
        names: { t: firstT + entry, ...period },
      }
    },
  }
}
