import { methodSays } from '../completeMethod'
import type { MemberDocument } from '../forecast/member'
import { COMBINING, DEFAULT_FORECAST, forecastWayOf } from '../forecast/ways'
import type { MethodDocument } from '../method'
import { orNull } from '../refusal'
import type { Series } from '../series/series'
import { candidate, candidatesFor } from './candidates'
import { memberOf } from './meanOf'

/** A method that a combination could have, and whether it has it. */
export interface MemberChoice {
  readonly name: string
  readonly member: MemberDocument
  readonly chosen: boolean
}

/**
 * The methods that a combination has, then those that it could have: the lines of the contest, and others put in.
 *
 * @param document of a forecast by combination
 * @param others methods that are to be offered too
 * @throws Refusal for a span that the series does not have
 */
export function memberChoices(
  series: Series,
  document: MethodDocument,
  others: readonly MethodDocument[] = [],
): MemberChoice[] {
  const { forecast, decompose = {} } = document
  const present = COMBINING.members.of(
    forecast?.by === COMBINING.name ? forecast : { by: COMBINING.name },
    decompose,
  )
  const offered = [...candidatesFor(series, document).map((one) => one.document), ...others]
    .filter(({ forecast: own }) => !forecastWayOf(own?.by ?? DEFAULT_FORECAST.name).members)
    .map(memberOf)
  const known = new Set<string>()
  return [
    ...present.map((member) => ({ member, chosen: true })),
    ...offered.map((member) => ({ member, chosen: false })),
  ].flatMap(({ member, chosen }) => {
    const says = saysOf(series, document, member)
    if (known.has(says)) return []
    known.add(says)
    return [{ name: candidate(series, { ...document, ...wholly(member) }).name, member, chosen }]
  })
}

/** A member that says nothing of a part takes its default there, not that of the method around it. */
function wholly({ decompose, trend, forecast }: MemberDocument): Partial<MethodDocument> {
  return { decompose, trend, forecast } as Partial<MethodDocument>
}

/** What a member says, so that two that say the same are one. */
function saysOf(series: Series, document: MethodDocument, member: MemberDocument): string {
  const says = orNull(() => methodSays({ ...document, ...wholly(member) }, series))
  return says ?? JSON.stringify(member)
}
