import type { WeekdayShares } from '../core/seasonality/weekdayShares'
import type { Frequency } from '../core/calendar/calendar'
import type { Series } from '../core/series/series'

/** What a column of the file became; `repeated` says the periods again, or numbers the rows, `other` belongs to another table. */
export type ColumnRole =
  'period' | 'key' | 'value' | 'unit' | 'total' | 'repeated' | 'ignored' | 'other' | 'empty'

/** What a row of the file became; `other` belongs to another table of the sheet. */
export type RowKind =
  'title' | 'header' | 'data' | 'total' | 'note' | 'left-out' | 'other' | 'unread'

/** How periods and values lie in the file. */
export type Layout = 'columns' | 'long' | 'matrix' | 'across' | 'undated'

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
  readonly code: string
  readonly text: string
  /** `line 7`, `column 3`, a period code, or `file`. */
  readonly where: string
}

/** One answer to a question, and what follows from it. */
export interface QuestionOption {
  readonly value: string
  readonly consequence: string
}

/** A place where more than one reading is possible. */
export interface Question {
  readonly id: string
  readonly ask: string
  /** Empty when the answer is typed: a start, a frequency. */
  readonly options: readonly QuestionOption[]
  /** Of an answer that is typed: what the file itself says for some, the likeliest first. */
  readonly proposed?: readonly QuestionOption[]
  /** The answer given, or taken until told otherwise; null while nothing can be kept without it. */
  readonly answer: string | null
  /** Lines of the file that it is about. */
  readonly lines: readonly number[]
}

/** The answers given so far, by the id of their question. */
export type Answers = Readonly<Record<string, string>>

/** A series that was read, with what a reader checks first. */
export interface ReadSeries {
  readonly series: Series
  /** Column of the file, from 0, where its values stand; null when they stand in several. */
  readonly column: number | null
  readonly missing: number
  /** Rows that were merged into another of the same period. */
  readonly duplicates: number
  /** How the days of the week differ that its periods were added up from, where they were. */
  readonly weekdays?: WeekdayShares | null
}

/** What each part of a sheet became, for showing the reading on the file itself. */
export interface SheetShape {
  readonly layout: Layout | null
  /** One entry a row of the sheet. */
  readonly rowKinds: readonly RowKind[]
  /** One entry a column of the sheet. */
  readonly columnRoles: readonly ColumnRole[]
}

/** The reading of a file: its series, what is still to be decided, or why there are none. */
export type Reading = {
  readonly container: string
  /** Names of the sheets that can be chosen, and the one that was read. */
  readonly sheets: readonly string[]
  readonly sheet: string | null
  readonly shape: SheetShape
  /** Every question, answered or not, so that an answer can be changed. */
  readonly questions: readonly Question[]
  readonly notes: readonly IntakeNote[]
} & (
  | {
      readonly outcome: 'ok'
      readonly frequency: Frequency
      readonly series: readonly ReadSeries[]
    }
  | { readonly outcome: 'question' }
  | { readonly outcome: 'refused'; readonly problems: readonly IntakeProblem[] }
)

/** `line 7, column 3`, as far as it is known. */
export function placeOf({ line, column }: IntakeProblem): string {
  return [line && `line ${line}`, column && `column ${column}`].filter(Boolean).join(', ') || 'file'
}
