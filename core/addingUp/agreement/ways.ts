import { ABOVE } from './above'
import { BELOW } from './below'
import { LEAST_SQUARES } from './leastSquares'
import type { AgreementWay } from './way'

/** How forecasts are made to add up, the plainest first: the first changes nothing of the forecasts of series. */
export const AGREEMENT_WAYS = [BELOW, ABOVE, LEAST_SQUARES] as const
export type AgreeBy = (typeof AGREEMENT_WAYS)[number]['name']
export const AGREE_BY: readonly AgreeBy[] = AGREEMENT_WAYS.map(({ name }) => name)
export const PLAINEST: AgreeBy = AGREEMENT_WAYS[0].name

export function agreementWay(by: AgreeBy): AgreementWay {
  return AGREEMENT_WAYS.find(({ name }) => name === by)!
}

/** Something for every way. */
export function ofEveryWay<T>(of: (way: AgreementWay) => T): Record<AgreeBy, T> {
  return Object.fromEntries(AGREEMENT_WAYS.map((way) => [way.name, of(way)])) as Record<AgreeBy, T>
}
