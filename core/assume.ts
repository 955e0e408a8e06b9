import { periodAt, timeCodeOfCode } from './calendar/period'
import { periodLabel } from './calendar/labels'
import type { Figures } from './calculate'
import { bend, type Bent } from './forecast/assumptions/bend'
import type { CommonAhead } from './forecast/way'
import { putBack } from './prepare/prepare'

/** A forecast before assumptions bent it, and what they did. */
export interface Assumed {
  readonly statistical: Pick<CommonAhead, 'deseasonalized' | 'forecast' | 'limits'>
  readonly bent: Bent
}

/**
 * The forecast of a method as the analyst's assumptions bend it; the statistical one stays beside it.
 *
 * @param figures with the limits that the method asks for
 * @returns null where nothing is assumed
 * @throws Refusal for what this forecast cannot be bent by, with its path
 */
export function assume({
  series,
  method,
  prepared,
  ahead,
  inside,
  level,
}: Figures): Assumed | null {
  const { assumptions } = method.forecast
  if (!assumptions) return null
  const { calendar, start } = series
  const { takenOut } = prepared
  const { t, forecast, limits, deseasonalized } = ahead
  return {
    statistical: { deseasonalized, forecast, limits },
    bent: bend(
      {
        ...{ t, level, forecast, limits, seasons: calendar.seasons },
        season: t.map((at) => periodAt(start, at, calendar.seasons).season),
        inside: inside?.forecast ?? forecast,
        putBack: (value, at) => (takenOut ? putBack(takenOut, value, at)! : value),
        timeCode: (code) => timeCodeOfCode(code, calendar, start),
        labelOf: (at) => periodLabel(periodAt(start, at, calendar.seasons), calendar),
      },
      assumptions,
    ),
  }
}
