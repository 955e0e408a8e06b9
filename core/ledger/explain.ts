import type { Cell } from '../column/cell'
import type { Column } from '../column/column'
import type { Expression } from '../column/expression'
import { cellsOf, localFitOf } from '../column/kinds/kinds'
import type { LocalFitPicture } from '../column/localFit'
import type { SeriesRun } from '../column/run'
import type { Looked, Result } from '../result'
import { readDeparture } from '../words/reading'
import { ledgerOf } from './ledger'

/** How a cell of the ledger came about. */
export type Explanation = {
  readonly cell: Cell
  /** `Ratio, May 2025` */
  readonly title: string
  /** How cells of this column are made: `sales ÷ average`. */
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
 * @param name any column of the ledger
 * @param t time code, in the span or the forecast
 * @returns for an undefined cell, the reason in one sentence
 * @throws RangeError when the result has no such column or period
 * @example explain(result, 'seasonalIrregular', 65) // value 1.323: 48,210 ÷ 36,433
 */
export function explain(result: Looked | Result, name: string, t: number): Explanation {
  const { find, run } = ledgerOf(result)
  const column = find(name)
  if (!column || t < run.firstT || t > run.endT) {
    throw new RangeError(`The ledger has no cell ${name} at time code ${t}.`)
  }
  return explainColumn(run, column, t, run.value(name, t))
}

/**
 * The same of a column that may stand beside the ledger.
 *
 * @param value the figure of the cell
 */
export function explainColumn(
  run: SeriesRun,
  column: Column,
  t: number,
  value: number | null,
): Explanation {
  const about = {
    cell: { column: column.name, t },
    title: `${column.label}, ${standsAt(run, column, t)}`,
    means: column.explains,
    unit: column.unit,
  }
  if (value === null) return { ...about, defined: false, because: whyUndefined(run, column, t) }
  const expression = column.arithmetic(t)
  return {
    ...about,
    defined: true,
    value,
    expression,
    sources: cellsOf(expression),
    localFit: localFitOf(expression),
    reading: column.reading ? column.reading(t) : readingOf(column, value, run.unit),
  }
}

function readingOf({ component, baseline }: Column, value: number, unit: string): string | null {
  // A count of days, or how far an effect may be off, is read against nothing.
  const isRead = component === 'season' && baseline !== null
  return isRead ? readDeparture(value, baseline, unit) : null
}

/** Where a cell stands: a period, or between two of them. */
function standsAt(run: SeriesRun, { offset }: Column, t: number): string {
  const at = t + offset
  return Number.isInteger(at)
    ? run.label(at)
    : `between ${run.label(Math.floor(at))} and ${run.label(Math.ceil(at))}`
}

/** Why a cell is empty, in one sentence. */
function whyUndefined({ lastT }: SeriesRun, column: Column, t: number): string {
  if (column.actual === null && t <= lastT) {
    return 'This period has an actual value; the forecast starts after the last one.'
  }
  if (t > lastT && column.ahead === null) {
    return 'This period lies in the forecast, where there is nothing to calculate this from.'
  }
  return column.whyUndefined(t)
}
