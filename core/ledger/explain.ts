import { periodLabel } from '../calendar/labels'
import { periodAt } from '../calendar/period'
import { calendarOfResult, startOfResult } from './calendarOfResult'
import { cellValue, lastActualT, limitOf, type Cell, type CellColumn } from './cell'
import { ledgerRows } from './rows'
import type { Result } from '../result'
import { readIndex } from '../words/reading'
import { arithmetic } from './arithmetic'
import { cellsOf, localFitOf, type Expression } from '../column/expression'
import type { LocalFitPicture } from '../column/localFit'
import { whyUndefined } from './whyUndefined'

/** How a cell of the ledger came about. */
export type Explanation = {
  readonly cell: Cell
  /** `Ratio, May 2025` */
  readonly title: string
  /** How cells of this row are made: `sales ÷ average`. */
  readonly means: string
  readonly unit: string
} & (
  | {
      readonly defined: true
      readonly value: number
      readonly expression: Expression
      /** The cells the figure was made from, directly. */
      readonly sources: readonly Cell[]
      /** `31% above the baseline`, for what is read against one. */
      readonly reading: string | null
      /** The local regression behind a loess value, to be drawn; null for any other. */
      readonly localFit: LocalFitPicture | null
    }
  | { readonly defined: false; readonly because: string }
)

/**
 * The arithmetic of any cell of the ledger, in symbols and numbers, and where it came from.
 *
 * @param result a result document
 * @param column any row of the ledger
 * @param t time code, in the span or the forecast
 * @returns for an undefined cell, the reason in one sentence
 * @throws RangeError when the result has no such row or period
 * @example explain(result, 'seasonalIrregular', 65) // value 1.323: 48,210 ÷ 36,433
 */
export function explain(result: Result, column: CellColumn, t: number): Explanation {
  const row = ledgerRows(result).find((candidate) => candidate.column === column)
  const { columns, forecast } = result
  const last = forecast.t.at(-1) ?? lastActualT(result)
  if (!row || t < columns.t[0]! || t > last) {
    throw new RangeError(`The ledger has no cell ${column} at time code ${t}.`)
  }
  const cell: Cell = { column, t }
  const about = {
    cell,
    title: `${row.label}, ${standsAt(result, cell)}`,
    means: limitOf(column) ? limitWords(result) : row.means,
    unit: row.unit,
  }
  const value = cellValue(result, cell)
  if (value === null) return { ...about, defined: false, because: whyUndefined(result, cell) }
  const { expression, alsoFrom } = arithmetic(result, cell)
  return {
    ...about,
    defined: true,
    value,
    expression,
    sources: [...cellsOf(expression), ...alsoFrom],
    localFit: localFitOf(expression),
    reading:
      row.component === 'season'
        ? readIndex(value, result.method.decompose.model, result.series.unit)
        : null,
  }
}

/** Where a cell stands: a period, or between two of them. */
function standsAt(result: Result, { column, t }: Cell): string {
  const calendar = calendarOfResult(result)
  const label = (at: number) =>
    periodLabel(periodAt(startOfResult(result), at, calendar.seasons), calendar)
  if (column !== 'movingAverage') return label(t)
  const left = t + calendar.seasons / 2 - 1
  return `between ${label(left)} and ${label(left + 1)}`
}

function limitWords(result: Result): string {
  return result.method.decompose.model === 'multiplicative'
    ? 'prediction limit of the trend × index'
    : 'prediction limit of the trend + index'
}
