import { figure } from '../../words/figure'
import type { OfKind } from '../expression'
import { formulaFrom, NO_CELLS, type Kind } from './kind'

/** A power of what it holds. */
export const power: Kind<OfKind<'power'>> = {
  parts: ({ of }) => [of],
  evaluate: ({ of, power: to }, valueOf) => valueOf(of) ** to,
  print: ({ of, power: to }, { print }) => `(${print(of)})${superscript(to)}`,
  cells: () => NO_CELLS,
  formula: ({ of, power: to }, formulaOf) =>
    formulaFrom([formulaOf(of)], ([part]) => `POWER(${part},${to})`),
}

const DIGITS = '⁰¹²³⁴⁵⁶⁷⁸⁹'

/** `²`; of a power that is no whole number `^1.618`. */
function superscript(to: number): string {
  if (!Number.isInteger(to) || to < 0) return `^${figure(to)}`
  return [...String(to)].map((digit) => DIGITS[Number(digit)]).join('')
}
