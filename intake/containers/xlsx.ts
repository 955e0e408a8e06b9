import { Refusal } from '../../core/refusal'
import type { Cell, Row, Sheet } from '../grid'
import { cellCounter, LIMITS } from '../limits'
import { spreadsheetDate } from './spreadsheetDate'
import { walkXml } from './xml'
import { unpack } from './zip'

/**
 * Reads the sheets of an XLSX workbook: shown values only, formulas by the value they last had.
 *
 * @throws Refusal for a file that is damaged or no workbook
 * @see ECMA-376-1:2016, sec. 18 (SpreadsheetML)
 */
export function readXlsx(bytes: Uint8Array): Sheet[] {
  const parts = unpack(bytes, (name) => /^xl\/.*\.(xml|rels)$/.test(name))
  const workbook = parts['xl/workbook.xml']
  if (!workbook) throw new Refusal('The file is a zip, but no workbook is in it.', 'file')
  const targets = relations(parts['xl/_rels/workbook.xml.rels'])
  const strings = sharedStrings(parts['xl/sharedStrings.xml'])
  const { sheets, is1904 } = readWorkbook(workbook)
  const styles = stylesOf(parts['xl/styles.xml'])
  const count = cellCounter()
  return sheets.flatMap(({ name, id, isHidden }): Sheet[] => {
    const target = targets.get(id)
    const part = target && (target.startsWith('/') ? target.slice(1) : `xl/${target}`)
    const bytesOfSheet = part ? parts[part] : undefined
    if (!part || !bytesOfSheet || !part.includes('worksheets/')) return []
    const rows = readSheet(bytesOfSheet, part, { strings, styles, is1904, count })
    return [{ name, rows, ...(isHidden ? { isHidden } : {}) }]
  })
}

function readWorkbook(bytes: Uint8Array) {
  const sheets: { name: string; id: string; isHidden: boolean }[] = []
  let is1904 = false
  walkXml(bytes, 'workbook', {
    open(name, attributes) {
      if (name === 'workbookPr') is1904 = /^(1|true)$/.test(attributes.date1904 ?? '')
      if (name !== 'sheet') return
      sheets.push({
        name: attributes.name ?? `Sheet ${sheets.length + 1}`,
        id: attributes['r:id'] ?? '',
        isHidden: (attributes.state ?? 'visible') !== 'visible',
      })
    },
  })
  return { sheets, is1904 }
}

function relations(bytes: Uint8Array | undefined): Map<string, string> {
  const targets = new Map<string, string>()
  if (!bytes) return targets
  walkXml(bytes, 'relations', {
    open(name, { Id, Target }) {
      if (name === 'Relationship' && Id && Target) targets.set(Id, Target)
    },
  })
  return targets
}

function sharedStrings(bytes: Uint8Array | undefined): string[] {
  const strings: string[] = []
  if (!bytes) return strings
  let text = ''
  let isText = false
  let isPhonetic = false
  walkXml(bytes, 'sharedStrings', {
    open(name) {
      if (name === 'si') text = ''
      if (name === 'rPh') isPhonetic = true
      isText = name === 't' && !isPhonetic
    },
    text(piece) {
      if (isText) text += piece
    },
    close(name) {
      isText = false
      if (name === 'rPh') isPhonetic = false
      if (name === 'si') strings.push(text.trim())
    },
  })
  return strings
}

/** Numbers of the formats that show a date or time without saying how (ECMA-376-1, 18.8.30). */
const BUILT_IN_DATES = new Set([
  14, 15, 16, 17, 18, 19, 20, 21, 22, 27, 28, 29, 30, 31, 32, 33, 34, 35, 36, 45, 46, 47, 50, 51,
  52, 53, 54, 55, 56, 57, 58,
])

/** What a cell style says: whether its number shows as a date, and what its cell is filled with. */
interface Styles {
  isDate(style: number): boolean
  /** The number of the fill; empty for none. */
  fillOf(style: number): string
}

function stylesOf(bytes: Uint8Array | undefined): Styles {
  if (!bytes) return { isDate: () => false, fillOf: () => '' }
  const fills: string[] = []
  const formats = new Map<number, string>()
  const styles: number[] = []
  let isInCellFormats = false
  walkXml(bytes, 'styles', {
    open(name, attributes) {
      if (name === 'numFmt') formats.set(Number(attributes.numFmtId), attributes.formatCode ?? '')
      if (name === 'cellXfs') isInCellFormats = true
      if (name === 'xf' && isInCellFormats) {
        styles.push(Number(attributes.numFmtId ?? 0))
        // The first two of every workbook are no colours.
        fills.push(Number(attributes.fillId ?? 0) > 1 ? attributes.fillId! : '')
      }
    },
    close(name) {
      if (name === 'cellXfs') isInCellFormats = false
    },
  })
  const isDate = styles.map((format) => {
    const code = formats.get(format)
    if (code === undefined) return BUILT_IN_DATES.has(format)
    return /[ymdh]/i.test(code.replace(/"[^"]*"|\\.|\[[^\]]*\]|_.|\*./g, ''))
  })
  return { isDate: (style) => isDate[style] ?? false, fillOf: (style) => fills[style] ?? '' }
}

interface SheetContext {
  readonly strings: readonly string[]
  readonly styles: Styles
  readonly is1904: boolean
  count(more: number): void
}

function readSheet(bytes: Uint8Array, part: string, context: SheetContext): Row[] {
  const rows: { line: number; cells: Cell[]; isHidden?: boolean; fill?: string }[] = []
  const merges: string[] = []
  let row: (typeof rows)[number] | null = null
  let cell: { column: number; type: string; style: number } | null = null
  let value = ''
  let isValue = false
  walkXml(bytes, part, {
    open(name, attributes) {
      if (name === 'row') {
        const line = Number(attributes.r) || (rows.at(-1)?.line ?? 0) + 1
        row = { line, cells: [], ...(attributes.hidden === '1' ? { isHidden: true } : {}) }
        rows.push(row)
      } else if (name === 'c' && row) {
        const column = attributes.r ? columnOf(attributes.r) : row.cells.length
        requireColumn(column)
        cell = { column, type: attributes.t ?? 'n', style: Number(attributes.s ?? 0) }
        value = ''
      } else if (name === 'mergeCell' && attributes.ref) merges.push(attributes.ref)
      isValue = name === 'v' || name === 't'
    },
    text(piece) {
      if (isValue) value += piece
    },
    close(name) {
      isValue = false
      if (name !== 'c' || !cell || !row) return
      const padding = cell.column - row.cells.length
      context.count(1 + Math.max(0, padding))
      while (row.cells.length < cell.column) row.cells.push('')
      const read = readCell(value, cell, context)
      row.cells[cell.column] = read
      if (typeof read === 'number') row.fill = context.styles.fillOf(cell.style)
      cell = null
    },
  })
  fillMergedTitles(rows, merges)
  return rows
}

function readCell(
  value: string,
  { type, style }: { type: string; style: number },
  { strings, styles, is1904 }: SheetContext,
): Cell {
  if (value === '') return ''
  if (type === 's') return strings[Number(value)] ?? ''
  if (type === 'b') return value === '1' ? 'TRUE' : 'FALSE'
  if (type === 'd') return value.trim()
  if (type !== 'n') return value.trim()
  const number = Number(value)
  if (!Number.isFinite(number)) return value
  return (styles.isDate(style) && spreadsheetDate(number, is1904)) || number
}

/** Column of a reference, from 0: `C7` is 2. */
function columnOf(reference: string): number {
  let column = 0
  for (const letter of reference) {
    const value = letter.charCodeAt(0) - 64
    if (value < 1 || value > 26) break
    column = column * 26 + value
  }
  return column - 1
}

function requireColumn(column: number): void {
  if (column >= 0 && column < 3 * LIMITS.columns) return
  throw new Refusal(`A sheet has more than ${3 * LIMITS.columns} columns.`, 'file')
}

/** A title merged across columns is the title of each of them. */
function fillMergedTitles(
  rows: { line: number; cells: Cell[] }[],
  merges: readonly string[],
): void {
  const byLine = new Map(rows.map((row) => [row.line, row]))
  for (const reference of merges) {
    const [from, to] = reference.split(':')
    const row = byLine.get(Number(/\d+/.exec(from ?? '')?.[0]))
    if (!from || !to || !row) continue
    const [first, last] = [columnOf(from), Math.min(columnOf(to), LIMITS.columns)]
    const title = row.cells[first]
    if (typeof title !== 'string' || title === '') continue
    for (let column = first + 1; column <= last; column++) {
      while (row.cells.length < column) row.cells.push('')
      row.cells[column] = title
    }
  }
}
