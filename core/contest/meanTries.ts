import type { Try } from '../check/rolling'
import { combined } from '../forecast/combination/calculate'
import { DEFAULT_FORECAST, forecastWayOf } from '../forecast/ways'
import type { MethodDocument } from '../method'
import type { Series } from '../series/series'
import { candidate } from './candidates'
import type { Contestant, Judged, Taking } from './contestant'
import { meanOf } from './meanOf'

/** A row of the ranking, as far as it says which method it is. */
interface Ranked {
  readonly name: string
  readonly method: MethodDocument
}

/** The mean of two that take part; where one of them does not, neither can it. */
export function madeOfTwo(
  one: Contestant,
  names: readonly [string, string],
  alone: readonly Judged[],
): Judged {
  const [a, b] = names.map((name) => alone.find((own) => own.one.candidate.name === name))
  const missing = !a?.tries ? names[0] : !b?.tries ? names[1] : null
  if (missing !== null) {
    const refused = `It is made of another that takes no part: ${missing}.`
    return { one: { ...one, outcome: { refused } }, tries: null }
  }
  return {
    one: { ...one, estimated: estimatedTogether([a!, b!]) },
    tries: meanTries(a!.tries!, b!.tries!),
  }
}

/**
 * The mean of the first two methods as one more, from the forecasts that those have made; null with fewer than two, and
 * where it takes part already.
 */
export function meanOfFirstTwo(
  series: Series,
  ranked: readonly Ranked[],
  taking: readonly Taking[],
): Taking | null {
  const isCombination = ({ method }: Ranked) =>
    forecastWayOf(method.forecast?.by ?? DEFAULT_FORECAST.name).members
  const firstTwo = ranked.filter((row) => !isCombination(row)).slice(0, 2)
  const [a, b] = firstTwo.map(({ name }) => taking.find(({ one }) => one.candidate.name === name)!)
  if (!a || !b) return null
  const of = (both: readonly [Taking, Taking]) =>
    candidate(series, meanOf([both[0].one.candidate.document, both[1].one.candidate.document]))
  const together = of([a, b])
  const known = new Set([together.name, of([b, a]).name])
  if (ranked.some(({ name }) => known.has(name))) return null
  const tries = meanTries(a.tries, b.tries)
  const outcome = { rolled: { tries, passedOver: [] } }
  return { one: { candidate: together, estimated: estimatedTogether([a, b]), outcome }, tries }
}

function estimatedTogether(both: readonly Judged[]): number {
  return both.reduce((sum, { one }) => sum + (one.estimated ?? 0), 0)
}

/** The mean of two forecasts from every origin that both have; limits of the two are none of their mean. */
function meanTries(own: readonly Try[], others: readonly Try[]): Try[] {
  const at = new Map(others.map((one) => [one.origin, one]))
  return own.flatMap((one): Try[] => {
    const other = at.get(one.origin)
    if (!other) return []
    const nothing = one.forecast.map(() => null)
    const none = { lower: nothing, upper: nothing }
    return [
      {
        ...one,
        forecast: one.forecast.map((value, i) => combined([value, other.forecast[i]!], 'mean')),
        limits: Object.fromEntries(Object.keys(one.limits).map((level) => [level, none])),
        inProportion: one.inProportion && other.inProportion,
      },
    ]
  })
}
