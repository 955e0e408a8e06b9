import type { Column } from '../../core/column/column'
import type { Expression, OfKind } from '../../core/column/expression'
import type { Addresses } from '../../core/column/kinds/kind'
import { formulaOf } from '../../core/column/kinds/kinds'
import { ledgerOf, type Ledger } from '../../core/ledger/ledger'
import type { Result } from '../../core/result'
import { LedgerPlaces } from './ledgerPlaces'
import { RegressionBlocks } from './regression/blocks'
import { SeasonGrids } from './seasonGrids'
import { fixedAddressOf, type SheetCell } from './sheet'

export const PARAMETERS = 'Parameters'
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
  readonly cells: LedgerPlaces
  readonly blocks: RegressionBlocks
  readonly grids: SeasonGrids
  readonly addresses: Addresses
  readonly #parameters: Parameter[] = []
  readonly #parameterRows = new Map<string, number>()

  constructor(readonly result: Result) {
    this.ledger = ledgerOf(result)
    this.cells = new LedgerPlaces(this.ledger)
    this.blocks = new RegressionBlocks(this.cells)
    this.grids = new SeasonGrids(this.ledger.run)
    this.addresses = {
      cell: (cell) => this.cells.cell(cell),
      cells: (cells, unlessLeftOut) =>
        (unlessLeftOut ? this.grids.ranges(cells) : null) ?? this.cells.ranges(cells),
      range: (from, to) => this.cells.range(from, to),
      regression: (gives, of) => this.blocks.address(gives, of),
      figure: (figure, formula) => this.#figure(figure, formula),
    }
  }

  get parameters(): readonly Parameter[] {
    return this.#parameters
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
