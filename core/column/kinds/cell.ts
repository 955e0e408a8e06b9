import type { OfKind } from '../expression'
import { printed } from './figure'
import type { Kind } from './kind'

/** Another cell of the ledger. */
export const cell: Kind<OfKind<'cell'>> = {
  parts: () => [],
  evaluate: ({ value }) => value,
  print: printed,
  cells: ({ cell: own }) => ({ cells: [own], regressions: [] }),
  formula: ({ cell: own }, _formulaOf, at) => at.cell(own),
}
