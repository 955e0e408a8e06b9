/** How a cell is shown. */
export type Look =
  | 'title'
  /** Above a column, or in the first one. */
  | 'heading'
  | 'label'
  | 'text'
  /** Sentences, on as many lines as they need. */
  | 'prose'
  /** A figure that came in or was given, and may be changed. */
  | 'input'
  /** A figure that follows from others by its formula. */
  | 'formula'
  /** A figure that no formula can say: it stays as it was calculated. */
  | 'calculated'

/** Characters that a line of prose takes. */
export const PROSE_WIDTH = 110

/** What stands in a cell of a spreadsheet. */
export interface SheetCell {
  /** Its figure or text; of a formula what it came to. Nothing stands in a cell that is tinted alone. */
  readonly value: string | number | null
  /** Without the sign that begins it. */
  readonly formula?: string
  readonly look: Look
  /** Decimals that a figure is shown with. */
  readonly decimals?: number
  /** Whether it belongs to the forecast. */
  readonly isForecast?: boolean
}

/** A sheet of a workbook, ready to be written. */
export interface Sheet {
  readonly name: string
  readonly rows: readonly (readonly (SheetCell | null)[])[]
  /** In characters, one a column. */
  readonly widths: readonly number[]
  /** Rows and columns that stay in sight. */
  readonly frozen: { readonly rows: number; readonly columns: number }
}

/** A sheet that is being filled, cell by cell; rows and columns from 0. */
export class SheetDraft {
  readonly #rows: (SheetCell | null)[][] = []

  put(row: number, column: number, cell: SheetCell | null): void {
    while (this.#rows.length <= row) this.#rows.push([])
    const own = this.#rows[row]!
    while (own.length <= column) own.push(null)
    own[column] = cell
  }

  /** Texts side by side from the first column on. */
  line(row: number, texts: readonly string[], look: Look = 'text'): void {
    texts.forEach((value, column) => this.put(row, column, { value, look }))
  }

  /** Rows that are filled so far. */
  get height(): number {
    return this.#rows.length
  }

  done(name: string, frozen: Sheet['frozen'], widths: readonly number[]): Sheet {
    return { name, rows: this.#rows, widths, frozen }
  }
}

/** The letters of a column, from 0: A, B … Z, AA. */
export function columnLetters(column: number): string {
  const before = Math.floor(column / 26)
  return (before === 0 ? '' : columnLetters(before - 1)) + String.fromCharCode(65 + (column % 26))
}

/**
 * Where a cell lies, row and column from 0.
 *
 * @example addressOf('Ledger', 13, 3) // 'Ledger!D14'
 */
export function addressOf(sheet: string, row: number, column: number): string {
  return `${sheet}!${columnLetters(column)}${row + 1}`
}

/** The same, staying as it is when a formula is copied. */
export function fixedAddressOf(sheet: string, row: number, column: number): string {
  return `${sheet}!$${columnLetters(column)}$${row + 1}`
}

/** Of cells one below the other. */
export function fixedRangeOf(sheet: string, from: number, to: number, column: number): string {
  const letters = columnLetters(column)
  return `${sheet}!$${letters}$${from + 1}:$${letters}$${to + 1}`
}
