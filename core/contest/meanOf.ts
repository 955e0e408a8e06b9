import type { MemberDocument } from '../forecast/member'
import { COMBINING } from '../forecast/ways'
import type { MethodDocument } from '../method'

/** A method as a part of a combination, which says horizon and limits for all. */
export function memberOf({ decompose, trend, forecast = {} }: MethodDocument): MemberDocument {
  const { horizon: _, levels: __, limits: ___, ...own } = forecast
  return {
    ...(decompose ? { decompose } : {}),
    ...(trend ? { trend } : {}),
    ...(Object.keys(own).length > 0 ? { forecast: own } : {}),
  }
}

/** The mean of methods as a method: span, missing values, horizon, levels and check are those of the first. */
export function meanOf(methods: readonly [MethodDocument, ...MethodDocument[]]): MethodDocument {
  const [{ trend: _, forecast = {}, ...around }] = methods
  const { horizon, levels } = forecast
  return {
    ...around,
    forecast: {
      ...COMBINING.members.are(methods.map(memberOf)),
      average: 'mean',
      ...(horizon === undefined ? {} : { horizon }),
      ...(levels === undefined ? {} : { levels }),
    },
  }
}
