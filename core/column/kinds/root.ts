import type { OfKind } from '../expression'
import { formulaFrom, NO_CELLS, type Kind } from './kind'

/** A square root. */
export const root: Kind<OfKind<'root'>> = {
  parts: ({ of }) => [of],
  evaluate: ({ of }, valueOf) => Math.sqrt(valueOf(of)),
  print: ({ of }, { print }) => `√(${print(of)})`,
  cells: () => NO_CELLS,
  formula: ({ of }, formulaOf) => formulaFrom([formulaOf(of)], ([part]) => `SQRT(${part})`),
}
