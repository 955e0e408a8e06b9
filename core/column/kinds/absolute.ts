import type { OfKind } from '../expression'
import { formulaFrom, NO_CELLS, type Kind } from './kind'

/** The size of what it holds, without its sign. */
export const absolute: Kind<OfKind<'absolute'>> = {
  parts: ({ of }) => [of],
  evaluate: ({ of }, valueOf) => Math.abs(valueOf(of)),
  print: ({ of }, { print }) => `|${print(of)}|`,
  cells: () => NO_CELLS,
  formula: ({ of }, formulaOf) => formulaFrom([formulaOf(of)], ([part]) => `ABS(${part})`),
}
