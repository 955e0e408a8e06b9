import { oneCycle } from '../../calendar/labels'
import { calendarOfResult } from '../../ledger/calendarOfResult'
import type { Result } from '../../result'
import { capitalized } from '../../series/noun'
import { displayScale } from '../../words/displayScale'
import { foldedOf, rowOfSeason } from '../../ledger/foldGrid'
import { historiesStrip, yearsStrip } from '../fold/foldedStrips'
import { movesStrip } from '../fold/movesStrip'
import { overSeason } from '../fold/overSeason'
import { namesAcross } from './across'
import type { Drawn } from './drawn'

/**
 * The years laid over each other, and each season from year to year.
 *
 * @param name of the row whose seasons are shown; the one that its season is seen in when left out
 * @param yearStart the season that a year begins in; the series' own when left out
 * @returns null for a series without seasons
 * @example of months: two strips over Jan … Dec
 */
export function foldPicture(result: Result, name?: string, yearStart?: number): Drawn | null {
  const own = calendarOfResult(result)
  if (own.seasons < 2) return null
  const calendar = { ...own, yearStart: yearStart ?? own.yearStart }
  const row = rowOfSeason(result, name)
  const { unit, noun } = result.series
  const cycle = oneCycle(calendar)
  const scale = displayScale(result.columns.value, unit)
  const grid = foldedOf(result, row.name, calendar)
  const strips = [
    yearsStrip(foldedOf(result, 'value', calendar), capitalized(noun), scale.unit, cycle),
    historiesStrip(
      grid,
      row,
      row.unit === unit ? scale.unit : row.unit,
      cycle,
      overSeason(result, row.name, (other) => foldedOf(result, other, calendar)),
    ),
  ]
  const moves = movesStrip(result, (other) => foldedOf(result, other, calendar), scale.unit)
  if (moves) strips.push(moves)
  const subtitle = `${capitalized(noun)} folded by ${oneCycle(calendar)}`
  return {
    strips,
    subtitle,
    across: namesAcross(grid.seasons.map(({ label }) => label.slice(0, 3))),
  }
}
