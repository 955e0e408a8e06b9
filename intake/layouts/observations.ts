import type { Cell } from '../grid'
import type { PeriodReading } from '../periods/periodReading'
import { looksLikeUnit } from './units'
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
  /** What the values are, by the heading over them, where the series is named otherwise. */
  readonly measure?: string
  readonly observations: Observation[]
}

/** Where the periods of a table stand, and what they say. */
export interface PeriodColumns {
  readonly columns: readonly number[]
  /** One entry a row; null where there is no period. */
  readonly readings: readonly (PeriodReading | null)[]
  /** Other columns that hold days or months of their own, such as that of shipping beside that of ordering. */
  readonly rivals?: readonly number[]
}

/** A sheet taken apart: every layout comes down to series of observations. */
export interface Extraction {
  readonly layout: Layout
  readonly rowKinds: readonly RowKind[]
  readonly columnRoles: readonly ColumnRole[]
  readonly series: readonly RawSeries[]
}

/**
 * Name and unit from a heading: `Sales (litres)`, `Sales in €`. Round brackets hold a unit where they look like one; square ones always do,
 * and empty ones say that there is none.
 */
export function titleOf(heading: string, column: number): { name: string; unit: string } {
  const square = /^(.+?)\s*\[([^[\]]*)\]$/s.exec(heading)
  if (square) return { name: square[1]!, unit: square[2]!.trim() }
  const round = /^(.+?)\s*\(([^()]+)\)$/s.exec(heading)
  if (round && looksLikeUnit(round[2]!)) return { name: round[1]!, unit: round[2]!.trim() }
  const behind = /^(.+?)(?: in |, )([^,]+)$/.exec(heading)
  if (behind && looksLikeUnit(behind[2]!)) return { name: behind[1]!, unit: behind[2]!.trim() }
  return { name: heading || `Column ${column + 1}`, unit: '' }
}
