import { normalQuantile as quantileOf } from '../../statistics/distributions'
import type { OfKind } from '../expression'
import { NO_CELLS, type Kind } from './kind'

/** The z that a two-sided interval of a level reaches to. */
export const normalQuantile: Kind<OfKind<'normal-quantile'>> = {
  parts: () => [],
  evaluate: ({ level }) => quantileOf(level),
  print: ({ level }, { number }) => (number ? number(quantileOf(level)) : `z(${level}%)`),
  cells: () => NO_CELLS,
  formula: ({ level }) => `NORMSINV(${0.5 + level / 200})`,
}
