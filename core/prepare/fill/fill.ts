import { z } from 'zod'
import type { Value } from '../../series/series'
import type { Preparation } from '../preparation'
import { fillMissing, MISSING_RULES, type FilledValue, type MissingRule } from './fillMissing'
import { missingPieces } from './words'

/** Values in the place of missing ones, by the rule of the method. */
export const fill: Preparation<MissingRule, readonly FilledValue[]> = {
  key: 'missing',
  document: z.enum(MISSING_RULES),
  usual: 'leave',
  estimate({ stretch, model, indexOf }, rule) {
    const { values, firstT } = stretch
    if (rule === 'leave' || !values.includes(null)) return null
    if (rule !== 'seasonal') return fillMissing(values, firstT, rule)
    // Where there is no decomposition there are no indices, and gaps stay.
    const index = indexOf(stretch)
    return index && fillMissing(values, firstT, rule, { model, index })
  },
  leave(values, filled, firstT) {
    const next: Value[] = [...values]
    for (const { t, value } of filled) next[t - firstT] = value
    return next
  },
  back: null,
  words: missingPieces,
}
