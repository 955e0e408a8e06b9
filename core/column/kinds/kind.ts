import type { Cell } from '../cell'
import type { Expression, OfKind, Regression, RegressionFigure } from '../expression'

/** What every kind of expression can be asked. What lies within it is asked by the function that is handed over. */
export interface Kind<Own extends Expression> {
  /** The expressions that it is made of; those that made a figure are not among them: it stands for itself. */
  parts(own: Own): readonly Expression[]
  evaluate(own: Own, valueOf: (part: Expression) => number): number
  /**
   * In symbols, or with its numbers.
   *
   * @param inside how what it is made of is printed
   */
  print(own: Own, inside: Printing): string
  /** The cells that it reads itself, beside those of its parts, and the regressions that read all of theirs at once. */
  cells(own: Own): { readonly cells: readonly Cell[]; readonly regressions: readonly Regression[] }
  /**
   * As the formula of a spreadsheet; null for what no formula can say, which is written as a value.
   *
   * @param formulaOf the formula of a part, at the same addresses or at others
   */
  formula(
    own: Own,
    formulaOf: (part: Expression, at?: Addresses) => string | null,
    at: Addresses,
  ): string | null
}

/** How what lies within an expression is printed. */
export interface Printing {
  print(part: Expression): string
  valueOf(part: Expression): number
  /** How a figure is printed; null where the symbols are. */
  readonly number: ((value: number) => string) | null
}

/** Where things lie in the spreadsheet that a formula is written for. */
export interface Addresses {
  /** Of a cell of the ledger: `Ledger!D14`; null where it is not in the spreadsheet. */
  cell(cell: Cell): string | null
  /**
   * Of many cells, as ranges where they lie side by side; null where one is not in the spreadsheet. A range may run over cells
   * that are empty.
   *
   * @param unlessLeftOut whether a period that is marked as left out counts as empty
   */
  cells(cells: readonly Cell[], unlessLeftOut: boolean): readonly string[] | null
  /** Of the same cell from one period to another: `Ledger!D14:D40`. */
  range(from: Cell, to: Cell): string | null
  /**
   * Of a figure that has a place of its own: a parameter, or one that others share.
   *
   * @param formula that makes it; null for one that was given
   */
  figure(figure: OfKind<'figure'>, formula: string | null): string
  /** The formula of a figure of a regression, whose cells and columns lie somewhere; null where they do not. */
  regression(gives: RegressionFigure, of: Regression): string | null
}

/** Of a kind that reads no cell itself. */
export const NO_CELLS = { cells: [], regressions: [] } as const

/** A formula of parts, each of which must be one. */
export function formulaFrom(
  parts: readonly (string | null)[],
  write: (parts: readonly string[]) => string,
): string | null {
  return parts.every((part) => part !== null) ? write(parts) : null
}
