import type { OfKind } from '../expression'
import { NO_CELLS, type Kind, type Printing } from './kind'

/** A figure that is no cell, or a plain number. In a formula it is what made it, where that is known. */
export const figure: Kind<OfKind<'figure'>> = {
  parts: () => [],
  evaluate: ({ value }) => value,
  print: printed,
  // The coefficients of a regression come from all of its cells at once; any other figure stands for itself.
  cells: ({ made }) =>
    made?.kind === 'regression' && made.gives.figure === 'coefficient'
      ? { cells: [], regressions: [made.of] }
      : NO_CELLS,
  formula: ({ value, made }, formulaOf) => {
    const own = made ? formulaOf(made) : null
    return own ?? (value < 0 ? `(${value})` : String(value))
  },
}

/** Its symbol, or its number, in brackets where it is below 0. */
export function printed(
  { symbol, value }: { readonly symbol: string; readonly value: number },
  { number }: Printing,
): string {
  if (!number) return symbol
  return value < 0 ? `(${number(value)})` : number(value)
}
