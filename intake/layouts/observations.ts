import type { Cell } from '../grid'
import type { PeriodReading } from '../periods/periodReading'
import type { ColumnRole, Layout, RowKind } from '../reading'

/** One value cell with the period it belongs to. */
export interface Observation {
  readonly period: PeriodReading
  readonly cell: Cell
  /** Line of the file, from 1. */
  readonly line: number
  /** Column of the file, from 0. */
  readonly column: number
}

/** The cells of one series, in the order of the file. */
export interface RawSeries {
  readonly name: string
  readonly unit: string
  readonly observations: Observation[]
}

/** A sheet taken apart: every layout comes down to series of observations. */
export interface Extraction {
  readonly layout: Layout
  readonly rowKinds: readonly RowKind[]
  readonly columnRoles: readonly ColumnRole[]
  readonly series: readonly RawSeries[]
}

/** Name and unit from a heading: `Sales (litres)`; without a unit it is left to be stated. */
export function titleOf(heading: string, column: number): { name: string; unit: string } {
  const match = /^(.+?)\s*[([]([^()[\]]+)[)\]]$/s.exec(heading)
  if (match) return { name: match[1]!, unit: match[2]!.trim() }
  return { name: heading || `Column ${column + 1}`, unit: '' }
}
