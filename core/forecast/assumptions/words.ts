import type { Calendar } from '../../calendar/calendar'
import { seasonLabel } from '../../calendar/labels'
import type { Piece } from '../../word'
import { figure, inUnit } from '../../words/figure'
import type { Assumption } from './options'

/** In how many places the forecast is bent by hand, a word that lists them; nothing where it is not. */
export function assumptionsPieces(assumptions: readonly Assumption[] = []): Piece[] {
  if (assumptions.length === 0) return []
  const text = places(assumptions.length)
  return [', bent by hand in ', { id: 'assumptions', text, ask: { kind: 'own' } }]
}

/** The same in a table of choices: `bent in 2 places`, `not bent`. */
export function bentWords(assumptions: readonly Assumption[] = []): string {
  return assumptions.length === 0 ? 'not bent' : `bent in ${places(assumptions.length)}`
}

function places(count: number): string {
  return `${count} ${count === 1 ? 'place' : 'places'}`
}

/** What the words of an assumption are made of. */
export interface AssumptionTold {
  readonly calendar: Calendar
  readonly unit: string
  labelOf(code: string): string
}

/**
 * An assumption in a few words, its reason aside.
 *
 * @example 'from Jul 2026 on 3% more a year'
 */
export function assumptionWords(
  one: Assumption,
  { calendar, unit, labelOf }: AssumptionTold,
): string {
  const from = labelOf(one.from)
  switch (one.kind) {
    case 'growth': {
      const { percentPerYear: share } = one
      if (share === 0) return `from ${from} on level`
      return `from ${from} on ${figure(Math.abs(share))}% ${share < 0 ? 'less' : 'more'} a year`
    }
    case 'index': {
      const season = seasonLabel(one.season, calendar)
      const change =
        one.factor === undefined ? moreOrLess(one.amount ?? 0, unit) : `× ${figure(one.factor)}`
      return `index of ${season} ${change} from ${from} on`
    }
    case 'amount': {
      const { to = one.from } = one
      const stretch = to === one.from ? from : `${from} to ${labelOf(to)}`
      return `${stretch}: ${moreOrLess(one.amount, unit)}`
    }
  }
}

function moreOrLess(amount: number, unit: string): string {
  return `${inUnit(Math.abs(amount), unit)} ${amount < 0 ? 'less' : 'more'}`
}
