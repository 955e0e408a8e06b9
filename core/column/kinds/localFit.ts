import type { OfKind } from '../expression'
import { printed } from './figure'
import type { Kind } from './kind'

/** A local regression, drawn beside the arithmetic. */
export const localFit: Kind<OfKind<'local-fit'>> = {
  parts: () => [],
  evaluate: ({ fit }) => fit.value,
  print: ({ symbol, fit }, inside) => printed({ symbol, value: fit.value }, inside),
  cells: ({ fit }) => ({ cells: fit.sources, regressions: [] }),
  // Its weights hang on the distance and the robustness of every point.
  formula: () => null,
}
