import type { Cell } from '../../core/column/cell'
import type { Ledger } from '../../core/ledger/ledger'
import { OWN_WORKBOOK } from '../../intake/ownWorkbook'
import { addressOf, columnLetters } from './sheet'

export const LEDGER = OWN_WORKBOOK.ledger

/** Rows of the ledger's sheet above its first period: labels, and units. */
export const LEDGER_HEAD = 2
/** Columns of it before the first step: period, and time code. */
export const LEDGER_LEAD = OWN_WORKBOOK.values

/** Where the cells of the ledger lie: steps across, periods down, counted from 0. */
export class LedgerPlaces {
  readonly #columnOf: ReadonlyMap<string, number>

  constructor(readonly ledger: Ledger) {
    this.#columnOf = new Map(ledger.columns.map(({ name }, i) => [name, LEDGER_LEAD + i] as const))
  }

  rowOf(t: number): number {
    return LEDGER_HEAD + t - this.ledger.run.firstT
  }

  /** The address of a cell; null where the ledger has no such column. */
  cell({ column, t }: Cell): string | null {
    const at = this.#columnOf.get(column)
    return at === undefined ? null : addressOf(LEDGER, this.rowOf(t), at)
  }

  /** The same cell from one period to another. */
  range(from: Cell, to: Cell): string | null {
    const first = this.cell(from)
    const column = this.#columnOf.get(from.column)
    if (first === null || column === undefined) return null
    return `${first}:${columnLetters(column)}${this.rowOf(to.t) + 1}`
  }

  /** As few ranges as the cells make: a range runs on over periods that have no figure. */
  ranges(cells: readonly Cell[]): string[] | null {
    const ranges: { first: Cell; last: Cell }[] = []
    for (const cell of cells) {
      const open = ranges.at(-1)
      if (open && open.first.column === cell.column && this.#isEmpty(open.last, cell.t)) {
        open.last = cell
      } else ranges.push({ first: cell, last: cell })
    }
    const written = ranges.map(({ first, last }) =>
      first.t === last.t ? this.cell(first) : this.range(first, last),
    )
    return written.every((one) => one !== null) ? written : null
  }

  /** Whether there is no figure between a cell and a period further on in the same column. */
  #isEmpty({ column, t }: Cell, until: number): boolean {
    if (until <= t) return false
    for (let between = t + 1; between < until; between++) {
      if (this.ledger.run.value(column, between) !== null) return false
    }
    return true
  }
}
