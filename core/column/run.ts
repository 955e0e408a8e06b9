import type { Calendar } from '../calendar/calendar'
import { onePeriod } from '../calendar/labels'
import { axisOf } from '../calendar/axis'
import type { Period } from '../calendar/period'
import type { ModelTerms } from '../model'
import type { DesignColumn } from '../regression/design'
import type { Value } from '../series/series'
import type { Column } from './column'
import type { CellExpression, Expression, Regression } from './expression'

/** The columns that every result has, one entry a period of the analysed span. */
export interface CommonColumns {
  /** Period codes. */
  readonly period: readonly string[]
  readonly t: readonly number[]
  readonly season: readonly number[]
  /** As it came in. */
  readonly original: readonly Value[]
  /** As the calculation uses it: adjusted, and filled where it is missing. */
  readonly value: readonly Value[]
  readonly trendCycle: readonly Value[]
  readonly index: readonly number[]
  readonly deseasonalized: readonly Value[]
  readonly irregular: readonly Value[]
  readonly recomposed: readonly Value[]
  readonly trend: readonly Value[]
  readonly fitted: readonly Value[]
  readonly residual: readonly Value[]
}

/** What a column of a series may know of the ledger it stands in. */
export interface SeriesRun {
  readonly calendar: Calendar
  readonly start: Period
  readonly unit: string
  /** What the values are called: `sales`. */
  readonly noun: string
  /** `month`, `quarter` … */
  readonly per: string
  /** Time codes of the first and the last analysed period, and of the last forecast one. */
  readonly firstT: number
  readonly lastT: number
  readonly endT: number
  /** A period as it is written: `Mar 2024`. */
  label(t: number): string
  seasonOf(t: number): number
  value(column: string, t: number): Value
  /** The arithmetic of a cell of another column. */
  arithmetic(column: string, t: number): Expression
  /** Why a cell is empty, in the words of its own column. */
  whyUndefined(column: string, t: number): string
  /** A cell of the ledger as a part of an expression; it must be defined. */
  cell(column: string, t: number): CellExpression
}

/** A column that others are calculated from, with its figures, which are there before it can be found. */
export interface Input {
  readonly column: string
  readonly values: readonly Value[]
}

/** What a column of a result may know beside. */
export interface Run extends SeriesRun {
  readonly columns: CommonColumns
  /** What is decomposed, smoothed and fitted: the values as the preparations leave them. */
  readonly input: Input
  /** What that is called: `sales`, `sales without calendar`. */
  readonly inputNoun: string
  /** What the preparations took out of it, by name: `calendar`. */
  readonly without: readonly string[]
  readonly model: ModelTerms
  /** Time codes that are left out of the season. */
  readonly leftOut: ReadonlySet<number>
  /** Whether the series is decomposed with a season. */
  readonly hasSeason: boolean
  /** The arithmetic of how far the index of a forecast period may be off; null where no formula has it. */
  readonly indexUncertainty: ((t: number) => Expression) | null
  /** The index of each forecast period; null where the forecast is made without indices. */
  readonly indexAhead: readonly number[] | null
}

/** Where a series lies in time, and how far it is shown. */
export type Stand = Pick<
  SeriesRun,
  'calendar' | 'start' | 'unit' | 'noun' | 'firstT' | 'lastT' | 'endT'
>

/**
 * What the columns of one ledger know of each other.
 *
 * @param find looks a column up by its name, once they are all there
 */
export function seriesRun(stand: Stand, find: (name: string) => Column | undefined): SeriesRun {
  const { calendar, firstT, lastT } = stand
  const axis = axisOf(stand)
  // Labels stand in every formula; one is made once.
  const labels = new Map<number, string>()
  const label = (t: number) => {
    const known = labels.get(t)
    if (known !== undefined) return known
    const made = axis.label(t)
    labels.set(t, made)
    return made
  }
  const value = (name: string, t: number) => {
    const column = find(name)
    const figure = t > lastT ? column?.ahead?.[t - lastT - 1] : column?.actual?.[t - firstT]
    return figure ?? null
  }
  return {
    ...stand,
    per: onePeriod(calendar),
    label,
    seasonOf: axis.seasonOf,
    value,
    arithmetic: (name, t) => find(name)!.arithmetic(t),
    whyUndefined: (name, t) => find(name)?.whyUndefined(t) ?? 'This period has no value.',
    cell: (name, t) => {
      const column = find(name)
      const from = column && column.offset % 1 !== 0 ? 'from ' : ''
      return {
        kind: 'cell',
        cell: { column: name, t },
        symbol: `${column?.symbol ?? name} (${from}${label(t)})`,
        value: value(name, t)!,
      }
    },
  }
}

/** The regression of a column's defined cells from a time code on, or of their logarithms, on a design; some periods left out. */
export function regressionOf(
  run: SeriesRun,
  of: string,
  from: number,
  columns: readonly DesignColumn[],
  ofLog = false,
  leftOut: ReadonlySet<number> = new Set(),
): Regression {
  const span = Array.from({ length: run.lastT - run.firstT + 1 }, (_, i) => run.firstT + i)
  const cells = span.flatMap((t) =>
    t < from || leftOut.has(t) || run.value(of, t) === null ? [] : [run.cell(of, t)],
  )
  return { y: cells, ofLog, columns }
}
