/** A cell as its container gives it: text as it is written, or a number the container itself typed. */
export type Cell = string | number

/** One record of a file. */
export interface Row {
  /** Line or spreadsheet row it starts on, from 1. */
  readonly line: number
  readonly cells: readonly Cell[]
  readonly isHidden?: boolean
  /** What its last figure is filled with, where the container says: to be told apart, and no more; empty for nothing. */
  readonly fill?: string
}

/** A table of cells: a text file has one, a workbook one a sheet. */
export interface Sheet {
  readonly name: string
  readonly rows: readonly Row[]
  readonly isHidden?: boolean
}

/** A file taken out of its container. */
export interface Workbook {
  /** How the file was read, in words: `semicolons, UTF-8`, `XLSX`. */
  readonly container: string
  readonly sheets: readonly Sheet[]
}

export function cellAt(row: Row, column: number): Cell {
  return row.cells[column] ?? ''
}

/** The text of a cell, trimmed; a typed number as it would be typed. */
export function textAt(row: Row, column: number): string {
  const cell = cellAt(row, column)
  return typeof cell === 'number' ? String(cell) : cell
}

export function isBlank(row: Row): boolean {
  return row.cells.every((cell) => cell === '')
}

/** Columns of the widest row. */
export function widthOf(rows: readonly Row[]): number {
  let width = 0
  for (const { cells } of rows) width = Math.max(width, cells.length)
  return width
}

/** Numbers 0…n−1. */
export function countUp(n: number): number[] {
  return Array.from({ length: n }, (_, i) => i)
}
