import { byUrgency } from '../core/catalogue/attention'
import type { Catalogued, CatalogueRow } from '../core/catalogue/row'
import type { FigureTable } from '../core/ledger/table'
import type { Value } from '../core/series/series'

/** A series with what came of it; where it was refused, no forecast. */
export type WorkedSeries = Pick<Catalogued, 'row' | 'forecast'>

/** A series of a catalogue in a line each, those that somebody should look at first, with the reasons. */
export function catalogueRowsTable(all: readonly WorkedSeries[]): FigureTable {
  return {
    header: [
      ...['series', 'unit', 'look at', 'method', 'refused'],
      ...['off by', 'in', 'origins', 'benchmark', 'benchmark off by', 'against benchmark'],
      ...['limits (%)', 'held (%)', 'forecast', 'as long before', 'change (%)'],
      ...['strength of trend', 'strength of season', 'outliers'],
    ],
    rows: byUrgency(all.map(({ row }) => row)).map(rowOf),
  }
}

function rowOf(row: CatalogueRow): (string | Value)[] {
  const { name, unit, attention, method, refused, off, benchmark, held, ahead, strength } = row
  return [
    ...[name, unit, attention.map(({ text }) => text).join('; '), method ?? '', refused ?? ''],
    ...[off?.by ?? null, off ? (off.in === 'percent' ? '%' : unit) : '', row.origins],
    benchmark?.says ?? '',
    ...[benchmark?.off.by ?? null, row.against ?? ''],
    ...[held?.level ?? null, held ? 100 * held.share : null],
    ...[ahead?.forecast ?? null, ahead?.before ?? null, ahead?.change ?? null],
    ...[strength.trend, strength.season, row.outliers],
  ]
}

/** Every forecast, a period in a row: series, period, figure, and limits by level. */
export function catalogueForecastsTable(all: readonly WorkedSeries[]): FigureTable {
  const levels = [...new Set(all.flatMap(({ forecast }) => Object.keys(forecast?.limits ?? {})))]
  levels.sort((a, b) => Number(a) - Number(b))
  return {
    header: [
      ...['series', 'unit', 'period', 'forecast'],
      ...levels.flatMap((level) => [`lower ${level}%`, `upper ${level}%`]),
    ],
    rows: all.flatMap(({ row, forecast }) =>
      (forecast?.period ?? []).map((period, i): (string | Value)[] => [
        ...[row.name, row.unit, period, forecast!.forecast[i]!],
        ...levels.flatMap((level) => {
          const limits = forecast!.limits[level]
          return [limits?.lower[i] ?? null, limits?.upper[i] ?? null]
        }),
      ]),
    ),
  }
}

export const CATALOGUE_FORMAT = 'elvant-catalogue/1'

/** The method of every series, and why it is that one: each can be run by itself. */
export function catalogueMethods(all: readonly Catalogued[]) {
  return {
    format: CATALOGUE_FORMAT,
    methods: all.map(({ row: { name }, method, because }) => ({ series: name, method, because })),
  }
}
