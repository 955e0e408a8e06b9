import type { Axis } from '../../calendar/axis'
import type { DesignColumn } from '../design'

/** Mean length of a year, in days. */
const YEAR = 365.2425

/**
 * Waves of one year and its parts along the days of a series whose cycles are shorter, or of weeks, of which a year has 52 or 53.
 *
 * @param axis of a calendar with dates
 * @param pairs of sine and cosine, the longest wave first
 */
export function yearWaves({ firstDay }: Pick<Axis, 'firstDay'>, pairs: number): DesignColumn[] {
  return Array.from({ length: pairs }, (_, i) => i + 1).flatMap((k) =>
    (['sin', 'cos'] as const).map((name): DesignColumn => ({
      name: `${name} ${k} of the year`,
      label: `${name} ${k} of the year`,
      means: k === 1 ? 'wave of one year' : `wave that comes ${k} times a year`,
      at: (t) => Math[name]((2 * Math.PI * k * firstDay(t)!) / YEAR),
    })),
  )
}
