import { Refusal } from '../../core/refusal'
import type { Cell, Row } from '../grid'
import { cellCounter, LIMITS } from '../limits'

const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN_RECORD, CLOSE_RECORD] = [...'"\\[]{}'].map(
  (letter) => letter.charCodeAt(0),
)

/** Whether a text looks like JSON: an array, an object, or an object a line. */
export function looksLikeJson(text: string): boolean {
  return /^\s*(\[\s*[[{\]]|\{\s*")/.test(text.slice(0, 2000))
}

/**
 * Rows of an array of records or of lists, of JSON lines, or of an object that holds one such array or a list for each column.
 *
 * The keys become the first row, in the order in which they come up. A value that is itself an array or
 * an object has no place in a table and is refused.
 *
 * @throws Refusal for text that is no JSON, or JSON that holds no records
 */
export function recordsAsRows(text: string): Row[] {
  const parsed = parse(text)
  const table = listsAsRows(parsed) ?? columnsAsRows(parsed)
  if (table) return table
  const records = recordsIn(parsed)
  const keys: string[] = []
  const known = new Map<string, number>()
  const count = cellCounter()
  const rows = records.map((record, i): Row => {
    if (typeof record !== 'object' || record === null || Array.isArray(record)) {
      throw new Refusal('Every entry must be a record with named fields.', `record ${i + 1}`)
    }
    const cells: Cell[] = []
    for (const [key, value] of Object.entries(record)) {
      if (!known.has(key)) known.set(key, keys.push(key) - 1)
      cells[known.get(key)!] = asCell(value, key, i)
    }
    count(cells.length)
    return { line: i + 2, cells: Array.from(cells, (cell) => cell ?? '') }
  })
  return [{ line: 1, cells: keys.map((key) => key.trim()) }, ...rows]
}

/** A list of lists: every one is a row, the first that of the headings. */
function listsAsRows(value: unknown): Row[] | null {
  if (!Array.isArray(value) || value.length === 0 || !value.every(Array.isArray)) return null
  const count = cellCounter()
  return (value as unknown[][]).map((cells, i) => {
    count(cells.length)
    return { line: i + 1, cells: cells.map((cell, k) => asCell(cell, String(k + 1), i)) }
  })
}

/** Lists of the same length by their names: every one is a column. */
function columnsAsRows(value: unknown): Row[] | null {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return null
  const columns = Object.entries(value)
  const lists = columns.map(([, list]) => list as unknown)
  if (lists.length < 2 || !lists.every(Array.isArray)) return null
  const [{ length }] = lists as [unknown[]]
  const areCells = lists.every(
    (list) =>
      list.length === length && list.every((cell) => typeof cell !== 'object' || cell === null),
  )
  if (!areCells) return null
  const count = cellCounter()
  return [
    { line: 1, cells: columns.map(([name]) => name.trim()) },
    ...Array.from({ length }, (_, i): Row => {
      count(lists.length)
      return {
        line: i + 2,
        cells: columns.map(([name], k) => asCell((lists[k] as unknown[])[i], name, i)),
      }
    }),
  ]
}

function asCell(value: unknown, key: string, record: number): Cell {
  if (value === null || value === undefined) return ''
  if (typeof value === 'number' && Number.isFinite(value)) return value
  if (typeof value === 'string') return value.trim()
  if (typeof value === 'boolean') return String(value)
  throw new Refusal(
    `The field "${key}" holds a list or a record of its own; a table has one value in each field.`,
    `record ${record + 1}`,
  )
}

function parse(text: string): unknown {
  requireFlat(text)
  try {
    return JSON.parse(text)
  } catch (whole) {
    const lines = text.split(/\r\n|\r|\n/)
    const first = lines.findIndex((line) => line.trim() !== '')
    if (!/^\s*\{.*\}\s*$/.test(lines[first] ?? '')) throw notJson(whole, 'file')
    return lines.flatMap((line, i) => {
      if (line.trim() === '') return []
      try {
        return [JSON.parse(line) as unknown]
      } catch (error) {
        throw notJson(error, `line ${i + 1}`)
      }
    })
  }
}

/** A million brackets inside one another take a parser gigabytes before it finds that none is closed. */
function requireFlat(text: string): void {
  let depth = 0
  let isQuoted = false
  for (let at = 0; at < text.length; at++) {
    const letter = text.charCodeAt(at)
    if (isQuoted) {
      if (letter === BACKSLASH) at++
      else if (letter === QUOTE) isQuoted = false
    } else if (letter === QUOTE) isQuoted = true
    else if (letter === OPEN_LIST || letter === OPEN_RECORD) depth++
    else if (letter === CLOSE_LIST || letter === CLOSE_RECORD) depth--
    if (depth > LIMITS.depth) {
      throw new Refusal(
        'Lists or records stand inside one another here, and no table can be made of them.',
        'file',
      )
    }
  }
}

function notJson(error: unknown, where: string): Refusal {
  return new Refusal(`This is not JSON: ${(error as Error).message}.`, where)
}

function recordsIn(value: unknown): readonly unknown[] {
  if (Array.isArray(value)) return value
  const lists = Object.values(value as object).filter(Array.isArray)
  if (lists.length === 1) return lists[0] as unknown[]
  // One line of JSON lines is a record by itself.
  if (lists.length === 0) return [value]
  throw new Refusal('The file holds several lists; keep the one with the records.', 'file')
}
