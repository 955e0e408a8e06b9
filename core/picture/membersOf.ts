import type { MemberFigures } from '../forecast/member'
import { forecastWayOf } from '../forecast/ways'
import type { Result } from '../result'

/** The methods that a forecast is made of; none where it is one by itself. */
export function membersOf({
  forecast,
  method,
}: Result): readonly Pick<MemberFigures, 'name' | 'forecast'>[] {
  return forecastWayOf(method.forecast.by).members?.found(forecast) ?? []
}
