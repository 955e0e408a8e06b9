import type { MethodChange } from '../../finding'
import type { Assumption } from './options'

/** A change that assumes one thing more; what was assumed of the very same before is replaced. */
export function withAssumption(all: readonly Assumption[], one: Assumption): MethodChange {
  const place = placeOf(one)
  return assuming([...all.filter((other) => placeOf(other) !== place), one])
}

/** A change that assumes the rest. @param i place in the list */
export function withoutAssumption(all: readonly Assumption[], i: number): MethodChange {
  return assuming(all.filter((_, k) => k !== i))
}

/** What was assumed of a single period by an amount; 0 where nothing was. */
export function amountAssumed(all: readonly Assumption[], period: string): number {
  const place = placeOf({ kind: 'amount', from: period, to: period, amount: 0, reason: '' })
  const one = all.find((other) => placeOf(other) === place)
  return one?.kind === 'amount' ? one.amount : 0
}

function assuming(all: readonly Assumption[]): MethodChange {
  return { forecast: { assumptions: all.length > 0 ? all : undefined } }
}

/** Two assumptions of the same place cannot both be meant. */
function placeOf(one: Assumption): string {
  switch (one.kind) {
    case 'growth':
      return JSON.stringify([one.kind, one.from])
    case 'index':
      return JSON.stringify([one.kind, one.season, one.from])
    case 'amount':
      // What the hand says of a period stands beside what makes it add up.
      return JSON.stringify([one.kind, one.from, one.to ?? one.from, one.addsUp])
  }
}
