import type { Calendar } from '../core/calendar/calendar'
import { periodLabel } from '../core/calendar/labels'
import { axisOf } from '../core/calendar/axis'
import type { Value } from '../core/series/series'
import { periodOf } from './assemble/commonCalendar'
import type { ValuedSeries } from './numbers/readValues'
import { periodWords } from './periods/periodWords'
import type { ReadSeries } from './reading'

/** How far the cells of a sheet were read: as numbers, and put on a time axis once that is known. */
export interface ReadCells {
  readonly series: readonly ValuedSeries[]
  readonly axis: { readonly calendar: Calendar; readonly kept: readonly ReadSeries[] } | null
}

/** What one cell of the file was read as. */
export interface CellReading {
  /** Line of the file, from 1. */
  readonly line: number
  /** Column of the file, from 0. */
  readonly column: number
  readonly series: string
  readonly unit: string
  /** The period that it stands at, in words: `14 Mar 2021`. */
  readonly period: string
  /** The period of the series that it counts in, where that is another: `Mar 2021`. */
  readonly within: string | null
  /** Whether that period is left out of the series: at an end, and not complete or without a value. */
  readonly isOutside: boolean
  readonly value: Value
}

/**
 * What the value cells of some lines were read as, for showing it on the file itself.
 *
 * @param from first line of the file, from 1
 * @param to last line
 */
export function cellReadings(
  { series, axis }: ReadCells,
  from: number,
  to: number,
): readonly CellReading[] {
  const kept = new Map(axis?.kept.map((one) => [one.series.name, one.series]))
  return series.flatMap(({ name, unit, entries }) => {
    const own = kept.get(name || 'Series')
    const ownAxis = own && axisOf(own)
    return entries.flatMap(({ at, value }): CellReading[] => {
      if (at.line < from || at.line > to) return []
      const period = axis && periodOf(at.period, axis.calendar)
      const label = period && periodLabel(period, axis.calendar)
      const words = periodWords(at.period)
      const isFiner =
        at.period.kind === 'day' ||
        at.period.kind === 'week' ||
        (at.period.kind === 'month' && axis?.calendar.frequency !== 'monthly')
      const t = (period && ownAxis?.tOf(period)) ?? 1
      return [
        {
          line: at.line,
          column: at.column,
          series: own?.name ?? name,
          unit: own?.unit ?? unit,
          period: label && !isFiner ? label : words,
          within: isFiner ? label : null,
          isOutside: axis !== null && (!own || t < 1 || t > own.values.length),
          value,
        },
      ]
    })
  })
}
