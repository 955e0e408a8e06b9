import type { Cell } from '../../core/column/cell'
import type { Column } from '../../core/column/column'
import type { Expression, OfKind } from '../../core/column/expression'
import type { Addresses } from '../../core/column/kinds/kind'
import { formulaOf } from '../../core/column/kinds/kinds'
import { ledgerOf, type Ledger } from '../../core/ledger/ledger'
import type { Result } from '../../core/result'
import { OWN_WORKBOOK } from '../../intake/ownWorkbook'
import { RegressionBlocks } from './regressionBlocks'
import { SeasonGrids } from './seasonGrids'
import { addressOf, columnLetters, fixedAddressOf, type SheetCell } from './sheet'

export const LEDGER = OWN_WORKBOOK.ledger
export const PARAMETERS = 'Parameters'

/** Rows of the ledger's sheet above its first period: labels, and units. */
export const LEDGER_HEAD = 2
/** Columns of it before the first step: period, and time code. */
export const LEDGER_LEAD = 2
/** Rows of the parameters' sheet above the first. */
export const PARAMETERS_HEAD = 1

/** A figure with a place of its own. */
export interface Parameter {
  readonly symbol: string
  readonly value: number
  /** null for what was given or searched for. */
  readonly formula: string | null
}

/**
 * Where everything of a workbook lies. What a formula asks for gets its place when it is first asked for: the figures of the
 * method, the rows of its regressions, the grids that its seasons are averaged in.
 */
export class Places {
  readonly ledger: Ledger
  readonly blocks: RegressionBlocks
  readonly grids: SeasonGrids
  readonly #columnOf: ReadonlyMap<string, number>
  readonly #parameters: Parameter[] = []
  readonly #parameterRows = new Map<string, number>()
  readonly addresses: Addresses

  constructor(readonly result: Result) {
    this.ledger = ledgerOf(result)
    this.#columnOf = new Map(
      this.ledger.columns.map(({ name }, i) => [name, LEDGER_LEAD + i] as const),
    )
    this.blocks = new RegressionBlocks(this)
    this.grids = new SeasonGrids(this)
    this.addresses = {
      cell: (cell) => this.cell(cell),
      cells: (cells, unlessLeftOut) =>
        (unlessLeftOut ? this.grids.ranges(cells) : null) ?? this.#ranges(cells),
      range: (from, to) => this.#range(from, to),
      regression: (gives, of) => this.blocks.address(gives, of),
      figure: (figure, formula) => this.#figure(figure, formula),
    }
  }

  get parameters(): readonly Parameter[] {
    return this.#parameters
  }

  rowOf(t: number): number {
    return LEDGER_HEAD + t - this.ledger.run.firstT
  }

  columnOf(name: string): number | null {
    return this.#columnOf.get(name) ?? null
  }

  cell({ column, t }: Cell): string | null {
    const at = this.columnOf(column)
    return at === null ? null : addressOf(LEDGER, this.rowOf(t), at)
  }

  /** The cell of a figure, by its formula wherever it has one. */
  calculated(value: number, arithmetic: Expression): SheetCell {
    const formula = formulaOf(arithmetic, this.addresses)
    // A formula without an address is a figure that was written down in pieces.
    return formula !== null && formula.includes('!')
      ? { value, formula, look: 'formula' }
      : { value, look: 'calculated' }
  }

  /** The cell of a column at a period; null where it has no figure. */
  cellOf(column: Column, t: number): SheetCell | null {
    const value = this.ledger.run.value(column.name, t)
    if (value === null) return null
    const arithmetic = column.arithmetic(t)
    const isGiven = arithmetic.kind === 'figure' && arithmetic.made === undefined
    if (isGiven && isInput(column)) return { value, look: 'input' }
    return this.calculated(value, arithmetic)
  }

  #range(from: Cell, to: Cell): string | null {
    const [first, column] = [this.cell(from), this.columnOf(from.column)]
    if (first === null || column === null) return null
    return `${first}:${columnLetters(column)}${this.rowOf(to.t) + 1}`
  }

  /** As few ranges as the cells make: a range runs on over periods that have no figure. */
  #ranges(cells: readonly Cell[]): string[] | null {
    const ranges: { first: Cell; last: Cell }[] = []
    for (const cell of cells) {
      const open = ranges.at(-1)
      if (open && open.first.column === cell.column && this.#isEmpty(open.last, cell.t)) {
        open.last = cell
      } else ranges.push({ first: cell, last: cell })
    }
    const written = ranges.map(({ first, last }) =>
      first.t === last.t ? this.cell(first) : this.#range(first, last),
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

  #figure({ symbol, value }: OfKind<'figure'>, formula: string | null): string {
    const key = `${symbol} ${formula ?? value}`
    const known = this.#parameterRows.get(key)
    const row = known ?? this.#parameters.push({ symbol, value, formula }) - 1
    if (known === undefined) this.#parameterRows.set(key, row)
    return fixedAddressOf(PARAMETERS, PARAMETERS_HEAD + row, 1)
  }
}

/** Figures that come from outside: values, and what a regression is told of its periods. */
function isInput({ component, group }: Column): boolean {
  return component === 'original' || group?.name === 'regression'
}
