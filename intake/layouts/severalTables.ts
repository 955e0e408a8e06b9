import { countUp, textAt, widthOf, type Row } from '../grid'
import type { ColumnRole, RowKind } from '../reading'
import type { Extraction, RawSeries } from './observations'

/** One of the tables of a sheet that are read together. */
export interface Part {
  /** The rows of the sheet, what belongs to other tables made blank. */
  readonly rows: readonly Row[]
  /** What its series are called by; empty where they go on from those of the table before. */
  readonly name: string
}

/**
 * Tables that were taken apart one by one, as one sheet: series of one name go on from table to table, those of tables with names
 * of their own bear them.
 *
 * @param parts with what was found in each, in the order of the sheet
 * @example of two tables named Interior and Exterior with a column of litres: series Interior and Exterior
 */
export function together(
  parts: readonly (Part & { readonly extraction: Extraction })[],
): Extraction {
  const series = new Map<string, RawSeries>()
  for (const { name, extraction } of parts) {
    for (const own of extraction.series) {
      const called =
        name === '' ? own.name : extraction.series.length > 1 ? `${name} · ${own.name}` : name
      const key = JSON.stringify([called, own.unit])
      const before = series.get(key)
      series.set(key, {
        ...own,
        name: called,
        measure: own.measure ?? own.name,
        observations: [...(before?.observations ?? []), ...own.observations],
      })
    }
  }
  const [{ rows, extraction }] = parts as [(typeof parts)[number]]
  const holds = (row: Row | undefined) => row !== undefined && row.cells.some((cell) => cell !== '')
  return {
    layout: extraction.layout,
    rowKinds: rows.map((_, at): RowKind => {
      const own = parts.filter((part) => holds(part.rows[at]))
      const kinds = own.map((part) => part.extraction.rowKinds[at] ?? 'note')
      return kinds.find((kind) => kind === 'data' || kind === 'header') ?? kinds[0] ?? 'note'
    }),
    columnRoles: countUp(Math.max(...parts.map((part) => widthOf(part.rows)))).map(
      (column): ColumnRole => {
        const own = parts.filter((part) => part.rows.some((row) => textAt(row, column) !== ''))
        const roles = own.map((part) => part.extraction.columnRoles[column] ?? 'empty')
        return roles.find((role) => role !== 'empty' && role !== 'ignored') ?? roles[0] ?? 'empty'
      },
    ),
    series: [...series.values()],
  }
}
