import { oneCycle } from '../../calendar/labels'
import { calendarOfResult } from '../../ledger/calendarOfResult'
import type { Result } from '../../result'
import { capitalized } from '../../series/noun'
import { displayScale } from '../../words/displayScale'
import { foldedOf, laidOut, rowOfSeason, type FoldLayout } from '../../ledger/foldGrid'
import { ledgerOf } from '../../ledger/ledger'
import { historiesStrip, yearsStrip } from '../fold/foldedStrips'
import { movesStrip } from '../fold/movesStrip'
import { overSeason } from '../fold/overSeason'
import { namesAcross } from './across'
import type { Drawn } from './drawn'

/**
 * The years laid over each other, and each season from year to year.
 *
 * @param name of the row whose seasons are shown; the one that its season is seen in when left out
 * @param layout of the folds; by the series' own cycle when left out
 * @returns null for a series without seasons
 * @example of months: two strips over Jan … Dec
 */
export function foldPicture(result: Result, name?: string, layout: FoldLayout = {}): Drawn | null {
  const own = calendarOfResult(result)
  if (own.seasons < 2) return null
  const { calendar } = laidOut(ledgerOf(result).run, layout)
  const isOwn = calendar.seasons === own.seasons
  const row = rowOfSeason(result, name)
  const { unit, noun } = result.series
  const cycle = oneCycle(calendar)
  const scale = displayScale(result.columns.value, unit)
  const grid = foldedOf(result, row.name, layout)
  const strips = [
    yearsStrip(foldedOf(result, 'value', layout), capitalized(noun), scale.unit, cycle),
    historiesStrip(
      grid,
      row,
      row.unit === unit ? scale.unit : row.unit,
      cycle,
      isOwn ? overSeason(result, row.name, (other) => foldedOf(result, other, layout)) : undefined,
    ),
  ]
  // Indices are of the cycle that the season is seen by, and of no other.
  const moves = isOwn ? movesStrip(result, (other) => foldedOf(result, other), scale.unit) : null
  if (moves) strips.push(moves)
  const subtitle = `${capitalized(noun)} folded by ${oneCycle(calendar)}`
  return {
    strips,
    subtitle,
    across: namesAcross(grid.seasons.map(({ label }) => label.slice(0, 3))),
  }
}
