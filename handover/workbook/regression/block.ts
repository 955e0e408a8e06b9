import type { Regression } from '../../../core/column/expression'
import type { SeriesRun } from '../../../core/column/run'
import { columnLetters, fixedAddressOf, fixedRangeOf } from '../sheet'

export const TREND = 'Trend'

/** Rows of a block above its periods, from 0. */
export const HEAD = {
  title: 0,
  labels: 1,
  coefficients: 2,
  sse: 3,
  smearing: 4,
  norms: 5,
  periods: 7,
} as const

/**
 * Where the parts of one regression lie in the sheet of the trend: columns from the left period, values, the constant, the design,
 * what each design column adds to those before it, and what a row comes to; rows from the top the periods that are fitted, those
 * ahead, the shares that columns have of each other, and the periods of a part of the design.
 */
export class RegressionBlock {
  /** Whether the leverage of the forecast is asked for, or the smearing of its logarithms. */
  hasLeverage = false
  hasSmearing = false
  /** Place of the first design column of a part whose variance is asked for, from 0; null where there is none. */
  partFrom: number | null = null

  /** @param left its first column, from 0 */
  constructor(
    readonly of: Regression,
    readonly left: number,
    private readonly run: SeriesRun,
  ) {}

  /** Columns that it takes, a gap included. */
  get width(): number {
    return 2 * this.columns + 7
  }

  /** Design columns beside the constant. */
  get columns(): number {
    return this.of.columns.length
  }

  get valueColumn(): number {
    return this.left + 1
  }

  get constantColumn(): number {
    return this.left + 2
  }

  designColumn(j: number): number {
    return this.left + 3 + j
  }

  addedColumn(j: number): number {
    return this.left + 4 + this.columns + j
  }

  /** What a row comes to: its leverage, or the variance of a part. */
  get sumColumn(): number {
    return this.addedColumn(this.columns)
  }

  get smearingColumn(): number {
    return this.sumColumn + 1
  }

  get lastPastRow(): number {
    return HEAD.periods + this.of.y.length - 1
  }

  rowAhead(t: number): number {
    return this.lastPastRow + 2 + (t - this.run.lastT)
  }

  /** The title of the shares; that of a column is as far below it. */
  get sharesRow(): number {
    return this.rowAhead(this.run.endT) + 2
  }

  /** Of a period in a part of the design. */
  rowOfPart(t: number): number {
    return this.sharesRow + this.columns + 4 + (t - this.run.firstT)
  }

  coefficient(at: number): string {
    return fixedAddressOf(TREND, HEAD.coefficients, this.constantColumn + at)
  }

  get sse(): string {
    return fixedAddressOf(TREND, HEAD.sse, this.valueColumn)
  }

  get smearing(): string {
    return fixedAddressOf(TREND, HEAD.smearing, this.valueColumn)
  }

  sumOf(row: number): string {
    return fixedAddressOf(TREND, row, this.sumColumn)
  }

  /** Of a column at the periods that are fitted. */
  past(column: number): string {
    return fixedRangeOf(TREND, HEAD.periods, this.lastPastRow, column)
  }

  /** The first so many design columns at the periods that are fitted. */
  design(count: number): string {
    const [first, last] = [this.designColumn(0), this.designColumn(count - 1)].map(columnLetters)
    return `${TREND}!$${first}$${HEAD.periods + 1}:$${last}$${this.lastPastRow + 1}`
  }
}

/** Cells side by side in a row. */
export function across(row: number, from: number, to: number): string {
  return `${TREND}!$${columnLetters(from)}$${row + 1}:$${columnLetters(to)}$${row + 1}`
}

/** A coefficient of a regression by the standard function for linear ones: the last column comes first, the constant last. */
export function coefficientOf(values: string, design: string, columns: number, at: number): string {
  return `INDEX(LINEST(${values},${design}),1,${at === 0 ? columns + 1 : columns + 1 - at})`
}
