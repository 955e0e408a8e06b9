import type { Result } from '~~/core/result'

/** What is said of a trend where it is drawn, and in the path. */
export interface TrendWords {
  /** At its line: all of it, and where that is too long less and less. */
  notes(result: Result): string[]
  /** What it came to, in one line. */
  line(result: Result): string
}
