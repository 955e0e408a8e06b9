import { tQuantile as quantileOf } from '../../statistics/distributions'
import type { OfKind } from '../expression'
import { formulaFrom, NO_CELLS, type Kind } from './kind'

/** The t that a two-sided interval of a level reaches to. */
export const tQuantile: Kind<OfKind<'t-quantile'>> = {
  // Its degrees of freedom are counted, and name no cell.
  parts: () => [],
  evaluate: ({ level, df }, valueOf) => quantileOf(level, valueOf(df)),
  print: ({ level, df }, { print, valueOf, number }) =>
    number ? number(quantileOf(level, valueOf(df))) : `t(${level}%, ${print(df)} df)`,
  cells: () => NO_CELLS,
  formula: ({ level, df }, formulaOf) =>
    formulaFrom([formulaOf(df)], ([free]) => `TINV(${1 - level / 100},${free})`),
}
