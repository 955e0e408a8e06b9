import { changed, type MethodDocument } from '../method'
import type { Assumption } from '../forecast/assumptions/options'

/** What one series is forecast by itself, and made to agree, one entry a period ahead. */
export interface AgreedSeries {
  /** Period codes. */
  readonly ahead: readonly string[]
  readonly own: readonly number[]
  readonly agreed: readonly number[]
}

/** Two forecasts that differ by less than this share are the same. */
const SAME = 1e-9

/**
 * A method whose forecast is the one that was made to agree: what it lacks of that is added by hand, period by period, so that the
 * statistical forecast stays beside it and every step can be read.
 *
 * What was added before for the same purpose is taken out; what the analyst assumed of his own stays, as the own forecast has it.
 *
 * @param reason how it was made to agree
 * @example own 60, agreed 57.5: an amount of −2.5 in that period
 */
export function takenOn(
  method: MethodDocument,
  { ahead, own, agreed }: AgreedSeries,
  reason: string,
): MethodDocument {
  const others = assumptionsOf(method).filter((one) => !addsUp(one))
  const amounts = ahead.flatMap((from, h): Assumption[] => {
    const amount = agreed[h]! - own[h]!
    if (Math.abs(amount) <= SAME * Math.abs(own[h]!)) return []
    return [{ kind: 'amount', from, to: from, reason, amount, addsUp: true }]
  })
  const assumptions = [...others, ...amounts]
  const horizon = Math.max(ahead.length, method.forecast?.horizon ?? 0)
  return changed(method, {
    forecast: {
      assumptions: assumptions.length > 0 ? assumptions : undefined,
      // A period that is forecast no more would keep an amount that nobody sees.
      ...(amounts.length > 0 ? { horizon } : {}),
    },
  })
}

/** A method before its forecast was made to agree with others. */
export function withoutAgreement(method: MethodDocument): MethodDocument {
  if (!assumptionsOf(method).some(addsUp)) return method
  const others = assumptionsOf(method).filter((one) => !addsUp(one))
  return changed(method, {
    forecast: { assumptions: others.length > 0 ? others : undefined },
  })
}

function assumptionsOf({ forecast }: MethodDocument): readonly Assumption[] {
  return forecast?.assumptions ?? []
}

function addsUp(one: Assumption): boolean {
  return one.kind === 'amount' && one.addsUp === true
}
