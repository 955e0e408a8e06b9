import { Refusal } from '../../core/refusal'
import type { Cell, Row, Sheet } from '../grid'
import { cellCounter, LIMITS } from '../limits'
import { walkXml } from './xml'
import { unpack } from './zip'

/**
 * Reads the sheets of an OpenDocument spreadsheet: shown values only, formulas by the value they last had.
 *
 * @throws Refusal for a file that is damaged or no spreadsheet
 * @see OASIS OpenDocument 1.3, part 3, sec. 9
 */
export function readOds(bytes: Uint8Array): Sheet[] {
  const content = unpack(bytes, (name) => name === 'content.xml')['content.xml']
  if (!content) throw new Refusal('The file is a zip, but no spreadsheet is in it.', 'file')
  const sheets: { name: string; rows: Row[] }[] = []
  const count = cellCounter()
  let line = 1
  let row: { cells: Cell[]; repeat: number; isHidden: boolean } | null = null
  let cell: { attributes: Record<string, string>; repeat: number; text: string } | null = null
  let paragraphs = 0
  let isText = false

  const finishCell = () => {
    if (!cell || !row) return
    const value = readCell(cell.attributes, cell.text)
    const repeat = Math.min(cell.repeat, LIMITS.columns - row.cells.length)
    // Repeated blanks at the end of a row stand for the rest of the sheet.
    if (value !== '' || repeat < 1000) {
      count(repeat)
      for (let i = 0; i < repeat; i++) row.cells.push(value)
    }
    cell = null
  }
  const finishRow = () => {
    if (!row) return
    while (row.cells.at(-1) === '') row.cells.pop()
    const { cells, isHidden } = row
    if (cells.length > 0) {
      count(cells.length * row.repeat)
      for (let i = 0; i < row.repeat; i++) {
        sheets.at(-1)!.rows.push({ line: line + i, cells, ...(isHidden ? { isHidden } : {}) })
      }
    }
    line += row.repeat
    row = null
  }

  walkXml(content, 'content', {
    open(name, attributes) {
      if (name === 'table') {
        sheets.push({ name: attributes['table:name'] ?? `Sheet ${sheets.length + 1}`, rows: [] })
        line = 1
      } else if (name === 'table-row' && sheets.length > 0) {
        row = {
          cells: [],
          repeat: repeatOf(attributes['table:number-rows-repeated']),
          isHidden: (attributes['table:visibility'] ?? 'visible') !== 'visible',
        }
      } else if ((name === 'table-cell' || name === 'covered-table-cell') && row) {
        cell = {
          attributes,
          repeat: repeatOf(attributes['table:number-columns-repeated']),
          text: '',
        }
        paragraphs = 0
      } else if (name === 'p' && cell) {
        if (paragraphs++ > 0) cell.text += '\n'
        isText = true
      } else if (name === 's' && cell) cell.text += ' '
    },
    text(piece) {
      if (isText && cell) cell.text += piece
    },
    close(name) {
      if (name === 'p') isText = false
      if (name === 'table-cell' || name === 'covered-table-cell') finishCell()
      if (name === 'table-row') finishRow()
    },
  })
  return sheets
}

function readCell(attributes: Record<string, string>, text: string): Cell {
  const type = attributes['office:value-type']
  const value = attributes['office:value']
  if (type === 'date') return (attributes['office:date-value'] ?? text).trim()
  if ((type === 'float' || type === 'currency' || type === 'percentage') && value) {
    const number = Number(value)
    if (Number.isFinite(number)) return number
  }
  return text.trim()
}

function repeatOf(text: string | undefined): number {
  const repeat = Number(text ?? 1)
  return Number.isInteger(repeat) && repeat > 0 ? repeat : 1
}
