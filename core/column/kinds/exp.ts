import type { OfKind } from '../expression'
import { formulaFrom, NO_CELLS, type Kind } from './kind'

/** e to the power of what it holds: the way back from a logarithm. */
export const exp: Kind<OfKind<'exp'>> = {
  parts: ({ of }) => [of],
  evaluate: ({ of }, valueOf) => Math.exp(valueOf(of)),
  print: ({ of }, { print }) => `exp(${print(of)})`,
  cells: () => NO_CELLS,
  formula: ({ of }, formulaOf) => formulaFrom([formulaOf(of)], ([part]) => `EXP(${part})`),
}
