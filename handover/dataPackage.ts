import { strToU8, zipSync } from 'fflate'
import type { FigureTable } from '../core/ledger/table'
import { formatPeriod } from '../core/calendar/codes'
import type { Series } from '../core/series/series'
import { adjustmentTable, seriesTables } from './seriesTables'
import { tableAsCsv } from './tableText'

/** A series with what is filed beside it. */
export interface FiledSeries {
  readonly series: Series
  readonly group: string
  readonly notes: string
}

/**
 * Series as a data package: a zip of CSV files with a descriptor that says what every column is.
 *
 * @param filed the series, with their adjustments
 * @returns the bytes of the zip
 * @see Frictionless Data (2017), Tabular Data Package 1.0, specs.frictionlessdata.io
 */
export function dataPackage(filed: readonly FiledSeries[]): Uint8Array {
  const series = filed.map((own) => own.series)
  const adjustments = adjustmentTable(series)
  const tables = [
    ...seriesTables(series).map(({ name, ...table }) => ({ name: name.replace(' ', '-'), table })),
    ...(adjustments.rows.length > 0 ? [{ name: 'adjustments', table: adjustments }] : []),
  ]
  return tablePackage('elvant-series', tables, {
    series: filed.map(({ series: own, group, notes }) => ({
      name: own.name,
      unit: own.unit,
      frequency: own.calendar.frequency,
      seasons: own.calendar.seasons,
      start: formatPeriod(own.start, own.calendar),
      periods: own.values.length,
      group,
      notes,
      adjustments: own.adjustments ?? [],
    })),
  })
}

/** A table of a package, and the name of its file. */
export interface PackedTable {
  readonly name: string
  readonly table: FigureTable
}

/** Tables as a data package. @param more what its descriptor says beside them */
export function tablePackage(
  called: string,
  tables: readonly PackedTable[],
  more: Readonly<Record<string, unknown>> = {},
): Uint8Array {
  const descriptor = {
    profile: 'tabular-data-package',
    name: called,
    resources: tables.map(({ name, table }) => ({
      profile: 'tabular-data-resource',
      name,
      path: `data/${name}.csv`,
      encoding: 'utf-8',
      schema: {
        fields: table.header.map((heading, i) => fieldOf(heading, i, table)),
        missingValues: [''],
      },
    })),
    ...more,
  }
  return zipSync({
    'datapackage.json': strToU8(JSON.stringify(descriptor, null, 2)),
    ...Object.fromEntries(
      tables.map(({ name, table }) => [`data/${name}.csv`, strToU8(tableAsCsv(table))]),
    ),
  })
}

function fieldOf(name: string, column: number, { rows }: FigureTable) {
  const isText = rows.some((row) => typeof row[column] === 'string')
  return { name, type: isText ? 'string' : 'number' }
}
