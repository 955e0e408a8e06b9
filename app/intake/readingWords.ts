import { formatExact } from '~/figures/format'
import type { CellReading } from '~~/intake/cellReadings'
import { textAt, type Row } from '~~/intake/grid'
import type { ColumnRole, Reading, RowKind } from '~~/intake/reading'

/** What a column holds, at its head. */
export const COLUMN_WORDS: Record<ColumnRole, string> = {
  period: 'period',
  key: 'name',
  value: 'values',
  unit: 'unit',
  total: 'total, not read',
  repeated: 'periods again, not read',
  ignored: 'not read',
  other: 'other table, not read',
  empty: 'empty',
}

const WHY_ROW: Record<Exclude<RowKind, 'data' | 'header'>, string> = {
  title: 'Above the table: not read.',
  total: 'A total or average of rows that are read: not read.',
  note: 'A note beside the figures: not read.',
  'left-out': 'Left out, as it was answered.',
  other: 'Belongs to another table: not read.',
  unread: 'No period can be read in this line.',
}
const WHY_COLUMN: Partial<Record<ColumnRole, string>> = {
  unit: 'The unit of the values beside it.',
  total: 'The sum of other columns: not read.',
  repeated: 'Says the periods again, or numbers the rows: not read.',
  other: 'Belongs to another table: not read.',
  ignored: 'Neither a period nor figures of a series: not read.',
}

/** Says of every cell of a file what it was read as, or why it was left out. */
export class ReadingWords {
  private readonly byLine = new Map<number, CellReading[]>()

  /** @param cells what the value cells of the lines in sight were read as */
  constructor(
    private readonly reading: Reading,
    cells: readonly CellReading[],
  ) {
    for (const cell of cells) {
      const known = this.byLine.get(cell.line)
      if (known) known.push(cell)
      else this.byLine.set(cell.line, [cell])
    }
  }

  /**
   * @param kind what the row became
   * @param column from 0
   * @returns nothing for a blank cell that stands for nothing
   */
  of(kind: RowKind | null, row: Row, column: number): string | undefined {
    const role = this.reading.shape.columnRoles[column]
    if (kind === null || role === undefined) return
    if (role === 'other' && textAt(row, column) !== '') return WHY_COLUMN.other
    if (kind === 'header') return this.headingWords(row, column, role)
    if (kind === 'data') return this.dataWords(row, column, role)
    return this.noteAt(`line ${row.line}`) ?? WHY_ROW[kind]
  }

  private dataWords(row: Row, column: number, role: ColumnRole): string | undefined {
    const cells = this.byLine.get(row.line) ?? []
    const own = cells.find((cell) => cell.column === column)
    if (role === 'period') return cells[0] && sentence(periodOf(cells[0]))
    if (own) return valueWords(own)
    if (role === 'key') return this.keyWords(cells, row, column)
    if (textAt(row, column) === '') return
    if (role === 'value') return cells.length > 0 ? 'Not read as a series.' : 'A value.'
    return WHY_COLUMN[role]
  }

  private headingWords(row: Row, column: number, role: ColumnRole): string | undefined {
    if (textAt(row, column) === '') return
    const { layout } = this.reading.shape
    if (role === 'value' && (layout === 'matrix' || layout === 'across'))
      return 'Heading: a period.'
    if (this.reading.outcome === 'ok') {
      const own = this.reading.series.filter((one) => one.column === column)
      const [only] = own
      if (only && own.length === 1)
        return `Heading of ${named(only.series.name, only.series.unit)}.`
    }
    return WHY_COLUMN[role] ?? `Heading: ${COLUMN_WORDS[role]}.`
  }

  private keyWords(cells: readonly CellReading[], row: Row, column: number): string | undefined {
    const names = [...new Set(cells.map(({ series }) => series))]
    if (names.length === 1) return `Name: the row belongs to "${names[0]}".`
    return textAt(row, column) === '' ? undefined : 'Part of the names of series.'
  }

  /** A note about this very line says more than its kind. */
  private noteAt(line: string): string | undefined {
    return this.reading.notes.find(({ where }) => where === line)?.text
  }
}

function valueWords(cell: CellReading): string {
  const value =
    cell.value === null
      ? 'no value, missing'
      : `${formatExact(cell.value)}${cell.unit ? ` ${cell.unit}` : ''}`
  const outside =
    cell.isOutside && cell.value !== null ? ' This period is left out of the series.' : ''
  return `${cell.series || 'Series'}, ${periodOf(cell)}: ${value}.${outside}`
}

function periodOf({ period, within }: CellReading): string {
  return within ? `${period} (counts in ${within})` : period
}

function sentence(words: string): string {
  return `${words[0]!.toUpperCase()}${words.slice(1)}.`
}

function named(name: string, unit: string): string {
  return unit ? `"${name}" in ${unit}` : `"${name}", without a unit`
}
