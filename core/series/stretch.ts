import type { Calendar } from '../calendar/calendar'
import { seasonLabel } from '../calendar/labels'
import { axisOf, type Axis } from '../calendar/axis'
import type { RefusalNames } from '../refusal'
import type { Series, Value } from './series'

/** The part of a series that is analysed; its time codes are those of the whole series. */
export interface Stretch {
  readonly calendar: Calendar
  /** Of the whole series. */
  readonly axis: Axis
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
  const axis = axisOf(series)
  const { calendar, yearOf, seasonOf, codeAt, label } = axis
  const values = series.values.slice(firstT - 1, lastT)
  return {
    calendar,
    axis,
    firstT,
    values,
    seasonOf: values.map((_, i) => seasonOf(firstT + i)),
    seasonName: (season) => seasonLabel(season, calendar),
    periodOf: (entry) => {
      const t = firstT + entry
      const names = { t, year: yearOf(t), season: seasonOf(t) }
      return { code: codeAt(t), label: label(t), names }
    },
  }
}

/** The axis of a stretch by itself: time code 1 is its first entry. */
export function axisOfStretch({
  calendar,
  axis,
  firstT,
}: Pick<Stretch, 'calendar' | 'axis' | 'firstT'>): Axis {
  return axisOf({ calendar, start: axis.periodAt(firstT) })
}
