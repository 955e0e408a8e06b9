import { adjustedValues } from '../../series/adjusted'
import type { Value } from '../../series/series'
import { requireUsable } from '../../series/usable'
import type { Preparation } from '../preparation'

/** The values that the analyst has put in, or left out; they belong to the series, whatever the method. */
export const adjust: Preparation<null, readonly Value[]> = {
  key: 'adjustments',
  document: null,
  usual: null,
  estimate({ series, stretch }) {
    const { firstT, values } = stretch
    const adjusted = adjustedValues(series)
    requireUsable({ ...series, values: adjusted })
    if (!series.adjustments?.length) return null
    return adjusted.slice(firstT - 1, firstT - 1 + values.length)
  },
  leave: (_values, adjusted) => [...adjusted],
  back: null,
  words: () => [],
}
