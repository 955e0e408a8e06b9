import type { Series } from '../core/series'
import type { RawRow } from './cells'

/** What a column of the file became. */
export type ColumnRole = 'period' | 'value' | 'empty'

/** A place in the file that could not be understood, with what to do about it. */
export interface IntakeProblem {
  /** Line of the file, from 1; null when it is about the whole. */
  readonly line: number | null
  /** Column of the file, from 1; null when it is about the line. */
  readonly column: number | null
  readonly because: string
}

/** Something the reader did that the analyst should know. */
export interface IntakeNote {
  readonly code: 'sorted' | 'missing-periods' | 'missing-values' | 'no-header' | 'empty-column'
  readonly text: string
  /** `line 7`, `column 3`, or a period code. */
  readonly where: string
}

/** A series that was read, and the column it stood in. */
export interface ReadSeries {
  readonly series: Series
  /** Column of the file, from 0. */
  readonly column: number
}

/** The reading of a file: its series, or every reason why there are none. */
export type Reading = {
  readonly rows: readonly RawRow[]
  /** One entry a column of the file; all null before the columns were understood. */
  readonly roles: readonly (ColumnRole | null)[]
  /** Whether the first row holds names. */
  readonly hasHeader: boolean
} & (
  | {
      readonly outcome: 'ok'
      readonly series: readonly ReadSeries[]
      readonly notes: readonly IntakeNote[]
    }
  | { readonly outcome: 'refused'; readonly problems: readonly IntakeProblem[] }
)
