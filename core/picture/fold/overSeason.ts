import { traitsOf } from '../../decompose/ways'
import { believedInPart } from '../../ledger/believed'
import type { FoldGrid } from '../../ledger/foldGrid'
import { cycleOfResult } from '../../ledger/calendarOfResult'
import type { Result } from '../../result'
import type { OverHistory } from './foldedStrips'

/** The row that extremes are ringed in. */
const RINGED = 'seasonalIrregular'

/**
 * What is drawn over the history of each season: the index of every year over what it was made of, where it may change, and rings
 * around what is not believed in full.
 *
 * @param name of the row whose history it is
 * @param folded a row of the result, folded as that one is
 */
export function overSeason(
  result: Result,
  name: string,
  folded: (name: string) => FoldGrid,
): OverHistory {
  if (name !== RINGED) return { line: null, isRinged: () => false }
  const inPart = believedInPart(result)
  const { seasonMayChange } = traitsOf(result.method.decompose)
  return {
    line: seasonMayChange
      ? { label: `index of each ${cycleOfResult(result)}`, grid: folded('index') }
      : null,
    isRinged: (t) => inPart.has(t),
  }
}
