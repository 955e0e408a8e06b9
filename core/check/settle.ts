import { calculate } from '../calculate'
import { completeMethod } from '../completeMethod'
import type { MemberDocument } from '../forecast/member'
import { DEFAULT_FORECAST, forecastWayOf } from '../forecast/ways'
import { changed, type MethodDocument } from '../method'
import { Refusal } from '../refusal'
import type { Series } from '../series/series'
import { trainingDocument } from './trainingDocument'

/** What is known when slow choices are made. */
interface Known {
  /** Time codes of the first and the last period known. */
  readonly firstT: number
  readonly origin: number
  readonly horizon: number
}

/**
 * A method with its slow choices made from what was known at an origin: made anew from every origin they would take a
 * hundred times as long.
 *
 * @returns null where it leaves none open, or is refused there
 */
export function settledAt(
  series: Series,
  document: MethodDocument,
  known: Known,
): MethodDocument | null {
  const { forecast, decompose = {} } = document
  const { members, slowChoices } = forecastWayOf(forecast?.by ?? DEFAULT_FORECAST.name)
  if (members && forecast?.by) {
    const own = members.of(forecast, decompose)
    const settled = own.map((member) => settledMember(series, document, member, known))
    return settled.some((member) => member !== null)
      ? changed(document, { forecast: members.are(own.map((one, i) => settled[i] ?? one)) })
      : null
  }
  if (!slowChoices?.areOpen(completeMethod(document, series).forecast)) return null
  try {
    const { firstT, origin, horizon } = known
    const training = trainingDocument(document, series, firstT, origin, horizon)
    return changed(document, { forecast: slowChoices.made(calculate(series, training).ahead) })
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}

/** A member of a combination, as a method by itself. */
function settledMember(
  series: Series,
  { format, span, missing }: MethodDocument,
  member: MemberDocument,
  known: Known,
): MemberDocument | null {
  const alone = { format, span, missing, ...member } as MethodDocument
  const settled = settledAt(series, alone, known)
  return settled && { ...member, forecast: { ...settled.forecast } }
}
