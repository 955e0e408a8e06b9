import type { Cell } from '../cell'
import type { Expression, Regression, RegressionFigure } from '../expression'

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
  /** As the formula of a spreadsheet; null for what no formula can say, which is written as a value. */
  formula(own: Own, formulaOf: (part: Expression) => string | null, at: Addresses): string | null
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
