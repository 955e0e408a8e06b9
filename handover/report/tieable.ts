import type { Cell } from '../../core/column/cell'
import { axisOf } from '../../core/calendar/axis'
import { ledgerOf } from '../../core/ledger/ledger'
import { decimalsOfRows } from '../../core/ledger/table'
import type { Result } from '../../core/result'
import type { ReadersFigures } from '../../core/words/readersFigures'
import { AHEAD, type Tie } from './ties'
import {
  stretchAhead,
  stretchesOf,
  totalWord,
  valueOf,
  writtenTotal,
  type StretchTotal,
} from './totals'

/** A figure that a paragraph can speak of, with what it is called. */
export interface Tieable {
  /** `Forecast, May 2026` */
  readonly label: string
  readonly tie: Tie
}

/**
 * Figures to put into a paragraph, those that are spoken of most first: the year ahead, years, the forecast period by period.
 *
 * @param selected a cell of the ledger that is looked at; it comes before all others
 */
export function tieableFigures(
  result: Result,
  says: ReadersFigures,
  selected: Cell | null,
): Tieable[] {
  const { run } = ledgerOf(result)
  const { lastT, endT, calendar } = run
  const count = Math.min(endT - lastT, Math.max(1, calendar.seasons))
  const ahead = Array.from({ length: count }, (_, i) => ({ column: 'forecast', t: lastT + 1 + i }))
  const ofTotal = (stretch: StretchTotal, at: string, name: string) => [
    ...tieOfTotal(result, says, stretch, at, name, 'own'),
    ...tieOfTotal(result, says, stretch, at, name, 'change'),
  ]
  return [
    ...(selected ? tieOfCell(result, says, selected) : []),
    ...ofTotal(stretchAhead(result), AHEAD, 'the year ahead'),
    ...stretchesOf(result, 'year').flatMap((one) => ofTotal(one, one.label, one.label)),
    ...ahead.flatMap((cell) => tieOfCell(result, says, cell)),
  ]
}

function tieOfTotal(
  result: Result,
  says: ReadersFigures,
  { arithmetic }: StretchTotal,
  at: string,
  name: string,
  which: 'own' | 'change',
): Tieable[] {
  const value = valueOf(arithmetic[which])
  if (value === null) return []
  const word = totalWord(result)
  const label =
    which === 'own' ? `The ${word} of ${name}` : `The change of ${name} on the year before`
  const text = writtenTotal(result, says, which, value)
  return [{ label, tie: { text, of: which === 'own' ? 'total' : 'change', at } }]
}

function tieOfCell(result: Result, says: ReadersFigures, { column, t }: Cell): Tieable[] {
  const { find, run } = ledgerOf(result)
  const own = find(column)
  const value = run.value(column, t)
  if (!own || value === null) return []
  const at = axisOf(run).codeAt(t)
  const text = says.decimals(value, decimalsOfRows(result)(own))
  return [{ label: `${own.label}, ${run.label(t)}`, tie: { text, of: column, at } }]
}
