import { cellAt, type Cell, type Row } from '../grid'
import { readNumber, type DecimalMark } from '../numbers/numberText'

/** Whether a cell can be read as a number, or as missing, with either decimal mark. */
export function isNumber(row: Row, column: number): boolean {
  const cell = cellAt(row, column)
  return (
    readNumber(cell, 'point').kind !== 'unreadable' ||
    readNumber(cell, 'comma').kind !== 'unreadable'
  )
}

/** The marks that a column may be read by, while it is not known which is its own. */
export const MARKS: readonly DecimalMark[] = ['point', 'comma']

/** The number that a cell says, 0 where there is none. */
export function numberIn(cell: Cell, mark: DecimalMark): number {
  const reading = readNumber(cell, mark)
  return reading.kind === 'number' ? reading.value : 0
}

/** The number in a column of a row, 0 where there is none. */
export function figureOf(row: Row, column: number, mark: DecimalMark): number {
  return numberIn(cellAt(row, column), mark)
}

/** Whether a cell holds a number, with either decimal mark. */
export function isFigure(row: Row, column: number): boolean {
  const cell = cellAt(row, column)
  return (
    cell !== '' &&
    (readNumber(cell, 'point').kind === 'number' || readNumber(cell, 'comma').kind === 'number')
  )
}
