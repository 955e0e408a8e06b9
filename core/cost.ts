import { completeCheck } from './checkPlan'
import { completeMethod, spanOf } from './completeMethod'
import { carryingMethod } from './calculate'
import { wayOf, type DecompositionOptions } from './decompose/ways'
import type { MemberMethod } from './forecast/member'
import { forecastWayOf } from './forecast/ways'
import type { Method, MethodDocument } from './method'
import { stepsOfPreparations } from './prepare/preparations'
import { orNull } from './refusal'
import type { Series } from './series/series'
import { trendWayOf } from './trend/ways'
import type { Extent } from './work/extent'

/** What a judgement of a result takes for each period: tests, outliers, phases, sentences. */
const JUDGED_A_PERIOD = 4000
/** Up to here it takes longer to a worker and back than to do it: some 25 milliseconds on a slow machine. */
const AT_ONCE = 4e6
/** Once, and twice more to see how much of it hangs on the year at either end. */
const TIMES_TAKEN_APART = 3

/**
 * About how many multiplications a method takes on a series, judged and with all its limits: the parts say it, each of itself.
 *
 * @returns null for a method that is refused: to find that out takes nothing
 * @example 120 months by averages and a straight line: some 500,000
 */
export function costOf(document: MethodDocument, series: Series): number | null {
  const method = orNull(() => completeMethod(document, series))
  if (!method) return null
  const { firstT, lastT } = spanOf(document, series)
  const extent = { periods: lastT - firstT + 1, seasons: series.calendar.seasons }
  const once = stepsOfPreparations(method, extent) + costOnce(method, extent, series)
  const again = method.forecast.limits === 'past-errors' ? originsOf(method, extent) : 0
  return JUDGED_A_PERIOD * extent.periods + (1 + again) * once
}

/** Whether a method is carried out on a series sooner than it could be handed to a worker and back. */
export function isAtOnce(document: MethodDocument, series: Series): boolean {
  const cost = costOf(document, series)
  return cost === null || cost <= AT_ONCE
}

/** Numbers alone. */
function costOnce(method: MemberMethod, extent: Extent, series: Series): number {
  // A method within another is complete too: what it lacks is what the one around it has.
  const { decompose, trend, forecast } = method as Method
  return (
    carryingOn(decompose, extent, series) +
    wayOf(decompose.by).steps(decompose, extent) +
    trendWayOf(trend.form).steps(trend, extent) +
    forecastWayOf(forecast.by).steps(forecast, extent, (member) => costOnce(member, extent, series))
  )
}

/** What a year of forecast takes that a series is carried on by before it is taken apart, every time that it is; 0 where it is not. */
function carryingOn(decompose: DecompositionOptions, extent: Extent, series: Series): number {
  const by = wayOf(decompose.by).carriedOnBy?.(decompose)
  if (!by) return 0
  const { model } = decompose
  const carrying = orNull(() => completeMethod(carryingMethod(by, model, extent.seasons), series))
  return carrying ? TIMES_TAKEN_APART * costOnce(carrying, extent, series) : 0
}

/** From how many earlier origins the errors of limits come. */
function originsOf({ forecast: { horizon } }: Method, extent: Extent): number {
  const plan = orNull(() => completeCheck({ rolling: { horizon } }, extent))
  return plan ? extent.periods - plan.rolling.first : 0
}
