import { countPeriods } from '../core/calendar/labels'
import { axisOf } from '../core/calendar/axis'
import type { Value } from '../core/series/series'
import { yearStatedAbove } from './layouts/statedAbove'
import type { ReadSeries } from './reading'

/** The series of one sheet of a workbook. */
export interface SheetSeries {
  readonly name: string
  readonly series: readonly ReadSeries[]
}

/** Several sheets read together. */
export interface JoinedSheets {
  readonly series: readonly ReadSeries[]
  /** Whether each sheet begins where the one before ended; else it is asked. */
  readonly goOn: boolean
  readonly consequence: string
}

/** The year in a sheet's name, for months that have none; null where there is none. */
export function yearOfSheet(name: string): number | null {
  return yearStatedAbove([{ line: 1, cells: [name] }])
}

/**
 * Sheets of one shape as one: the same series, each going on from the sheet before, or else each sheet's series under its name.
 *
 * @returns null where sheets are of different shapes: other frequencies, or other series
 * @example sheets 2021 and 2022 with a column of litres by months: one series of 24 months
 */
export function joinSheets(sheets: readonly SheetSeries[]): JoinedSheets | null {
  const [first] = sheets
  if (!first || sheets.length < 2 || first.series.length === 0) return null
  const shape = (of: SheetSeries) =>
    JSON.stringify(of.series.map(({ series: { name, unit, calendar } }) => [name, unit, calendar]))
  const isOne = (of: SheetSeries) => of.series.length === 1
  const calendars = new Set(
    sheets.flatMap(({ series }) => series.map((own) => JSON.stringify(own.series.calendar))),
  )
  const isAlike =
    sheets.every((of) => shape(of) === shape(first)) ||
    (sheets.every(isOne) && calendars.size === 1)
  if (!isAlike) return null
  return inARow(sheets) ?? underTheirNames(sheets)
}

/** The sheets in the order of time, where none overlaps another. */
function inARow(sheets: readonly SheetSeries[]): JoinedSheets | null {
  const [{ series }] = sheets as [SheetSeries]
  const { tOf } = axisOf(series[0]!.series)
  const place = (of: SheetSeries) => tOf(of.series[0]!.series.start)
  const sorted = [...sheets].sort((a, b) => place(a) - place(b))
  const gaps = sorted.slice(1).flatMap((of, i) =>
    of.series.map((own, k) => {
      const before = sorted[i]!.series[k]!.series
      return axisOf(before).tOf(own.series.start) - before.values.length - 1
    }),
  )
  const areNamed = new Set(sheets.map((of) => of.series[0]!.series.name)).size === 1
  if (gaps.some((gap) => gap < 0) || !areNamed) return null
  const joined = series.map((_, k) => joinedSeries(sorted.map((of) => of.series[k]!)))
  const [{ series: whole }] = joined as [ReadSeries]
  const { label } = axisOf(whole)
  return {
    series: joined,
    goOn: gaps.every((gap) => gap === 0),
    consequence: `All ${sheets.length}, one after another: ${countPeriods(whole.values.length, whole.calendar)}, ${label(1)} to ${label(whole.values.length)}.`,
  }
}

function joinedSeries(parts: readonly ReadSeries[]): ReadSeries {
  const [first] = parts as [ReadSeries]
  const { tOf } = axisOf(first.series)
  const values: Value[] = []
  for (const { series } of parts) {
    const from = tOf(series.start) - 1
    while (values.length < from) values.push(null)
    values.push(...series.values)
  }
  return {
    ...first,
    series: { ...first.series, values },
    missing: values.filter((value) => value === null).length,
    duplicates: parts.reduce((sum, { duplicates }) => sum + duplicates, 0),
  }
}

function underTheirNames(sheets: readonly SheetSeries[]): JoinedSheets {
  const series = sheets.flatMap((of) =>
    of.series.map((own) => ({
      ...own,
      series: {
        ...own.series,
        name: of.series.length === 1 ? of.name : `${of.name} · ${own.series.name}`,
      },
    })),
  )
  return {
    series,
    goOn: false,
    consequence: `All ${sheets.length}, each under its name: ${series.length} series.`,
  }
}
