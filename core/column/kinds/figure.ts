import type { OfKind } from '../expression'
import { NO_CELLS, type Kind, type Printing } from './kind'

/** A figure that is no cell, or a plain number. In a formula it stands where it was made or given, where that is known. */
export const figure: Kind<OfKind<'figure'>> = {
  parts: () => [],
  evaluate: ({ value }) => value,
  print: printed,
  // The coefficients of a regression come from all of its cells at once; any other figure stands for itself.
  cells: ({ made }) =>
    made?.kind === 'regression' && made.gives.figure === 'coefficient'
      ? { cells: [], regressions: [made.of] }
      : NO_CELLS,
  formula: (own, formulaOf, at) => {
    const { made, isParameter } = own
    if (isParameter) return at.figure(own, null)
    const formula = made ? formulaOf(made) : null
    if (!made || formula === null) return literal(own.value)
    // What a regression says of one period has its place beside its rows; a coefficient is named among the figures too.
    const isOfPeriod = made.kind === 'regression' && 't' in made.gives
    return isOfPeriod ? formula : at.figure(own, formula)
  },
}

/** A number as it is written in a formula, in brackets where it is below 0. */
function literal(value: number): string {
  const short = String(value)
  // Not every program reads 6.1E-17 within a formula.
  const own = short.includes('e') ? IN_FULL.format(value) : short
  return value < 0 ? `(${own})` : own
}

const IN_FULL = new Intl.NumberFormat('en-US', { useGrouping: false, maximumSignificantDigits: 17 })

/** Its symbol, or its number, in brackets where it is below 0. */
export function printed(
  { symbol, value }: { readonly symbol: string; readonly value: number },
  { number }: Printing,
): string {
  if (!number) return symbol
  return value < 0 ? `(${number(value)})` : number(value)
}
