import { axisOf } from '../calendar/axis'
import { exclusionsIn, type DecompositionDocument } from '../decompose/ways'
import type { MemberDocument } from '../forecast/member'
import {
  DEFAULT_FORECAST,
  forecastWayOf,
  type ForecastDocument,
  type ForecastName,
} from '../forecast/ways'
import type { MethodDocument } from '../method'
import { preparationsOf } from '../prepare/preparations'
import type { Series } from '../series/series'
import type { TrainingSpan } from '../trend/commonOptions'
import { trendWithin } from '../trend/options'

/**
 * A method as it would have been said at an origin: what is not named is chosen anew, what lies after the origin
 * is not known yet, and limits are the model's, since past errors are what is about to be found. What the analyst assumes
 * of the future is no part of it: the method is judged, not the hand.
 *
 * @param firstT time code of the first period analysed
 * @param origin time code of the last period that is known
 * @param horizon periods ahead
 */
export function trainingDocument(
  document: MethodDocument,
  series: Series,
  firstT: number,
  origin: number,
  horizon: number,
): MethodDocument {
  const { format } = document
  const { codeAt: code, tOfCode } = axisOf(series)
  const timeCode = (period: string) => tOfCode(period)!
  /** What of a method, or of one within it, lies inside the span. */
  const within = ({ decompose, trend, forecast = {} }: MemberDocument): MemberDocument => {
    const from = Math.max(firstT, origin - (trend?.last ?? Infinity) + 1)
    const fitted: TrainingSpan = { from, to: origin, timeCode }
    const by = (forecast.by ?? DEFAULT_FORECAST.name) as ForecastName
    return {
      ...(decompose ? { decompose: leftOutWithin(decompose, firstT, origin, timeCode) } : {}),
      ...(trend ? { trend: trendWithin(trend, fitted) } : {}),
      forecast: { ...forecastWayOf(by).within({ ...forecast, by } as never, fitted, within) },
    }
  }
  const { forecast, ...known } = within(document as MemberDocument)
  return {
    format,
    span: { from: code(firstT), to: code(origin) },
    ...preparationsOf(document),
    ...known,
    forecast: {
      ...forecast,
      horizon,
      limits: undefined,
      assumptions: undefined,
      scenarios: undefined,
    } as ForecastDocument,
  }
}

function leftOutWithin(
  decompose: DecompositionDocument,
  firstT: number,
  origin: number,
  timeCode: (period: string) => number,
): DecompositionDocument {
  const exclude = exclusionsIn(decompose)
  if (!exclude) return decompose
  const isKnown = ({ period }: { readonly period: string }) =>
    timeCode(period) >= firstT && timeCode(period) <= origin
  return { ...decompose, exclude: exclude.filter(isKnown) } as DecompositionDocument
}
