import { and, asc, eq, isNull } from 'drizzle-orm'
import {
  catalogueForecastsTable,
  catalogueRowsTable,
  type WorkedSeries,
} from '../../handover/catalogueTables'
import { tablePackage } from '../../handover/dataPackage'
import type { ExportKind } from '../../shared/api/series'
import { among } from '../database/among'
import type { Database } from '../database/open'
import { catalogueRows, series } from '../database/schema'
import {
  csvFile,
  xlsxFile,
  zipFile,
  type ExportedFile,
  type NamedTable,
} from '../handover/exportedFile'

/** What came of series when they were last worked through, under the names that they have now. */
export function workedSeries(db: Database, ids: readonly string[] | undefined): WorkedSeries[] {
  return db
    .select({
      ...{ name: series.name, unit: series.unit },
      ...{ row: catalogueRows.row, forecast: catalogueRows.forecast },
    })
    .from(catalogueRows)
    .innerJoin(series, eq(series.id, catalogueRows.seriesId))
    .where(and(isNull(series.deletedAt), ids && among(series.id, ids)))
    .orderBy(asc(series.name), asc(series.id))
    .all()
    .map(({ name, unit, row, forecast }) => ({ row: { ...row, name, unit }, forecast }))
}

/** All forecasts in one table, and a row a series in another: two files in a zip, two sheets, or a data package. */
export async function exportForecasts(
  all: readonly WorkedSeries[],
  kind: ExportKind,
): Promise<ExportedFile> {
  const tables: readonly NamedTable[] = [
    { name: 'forecasts', table: catalogueForecastsTable(all) },
    { name: 'rows', table: catalogueRowsTable(all) },
  ]
  switch (kind) {
    case 'csv':
      return csvFile('forecasts', tables)
    case 'xlsx':
      return xlsxFile('forecasts', tables)
    case 'package':
      return zipFile('forecasts', tablePackage('elvant-forecasts', tables))
  }
}
