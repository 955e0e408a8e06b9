import type { OfKind } from '../expression'
import { formulaFrom, NO_CELLS, type Kind } from './kind'

/** A natural logarithm. */
export const ln: Kind<OfKind<'ln'>> = {
  parts: ({ of }) => [of],
  evaluate: ({ of }, valueOf) => Math.log(valueOf(of)),
  print: ({ of }, { print }) => `ln(${print(of)})`,
  cells: () => NO_CELLS,
  formula: ({ of }, formulaOf) => formulaFrom([formulaOf(of)], ([part]) => `LN(${part})`),
}
