import { axisByCycle } from '../../calendar/axisByCycle'
import { seasonLabel } from '../../calendar/labels'
import type { Stretch } from '../../series/stretch'

/** A stretch with the seasons of another cycle. */
export function stretchByCycle(stretch: Stretch, length: number): Stretch {
  const axis = axisByCycle(stretch.axis, length)
  const { calendar, seasonOf } = axis
  return {
    ...stretch,
    ...{ calendar, axis },
    seasonOf: stretch.values.map((_, i) => seasonOf(stretch.firstT + i)),
    seasonName: (season) => seasonLabel(season, calendar),
  }
}
