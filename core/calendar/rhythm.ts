import type { Day, DaySpan } from './civil'
import type { Period } from './period'

/** One turn of the seasons, as it is called. */
export type CycleName = 'year' | 'week' | 'day'

/** How the periods of a calendar follow each other, and how they are written. */
export interface Rhythm {
  /** What one turn of the seasons is. */
  readonly cycle: CycleName
  /** The word for one period. */
  readonly noun: string
  /** Periods counted from a fixed one, so that they can be compared and subtracted. */
  countOf(period: Period): number
  /** The period of a count. */
  periodOf(count: number): Period
  /** As documents write it. */
  code(period: Period): string
  /** Reads a code; null when it is none. */
  read(code: string): Period | null
  /** A code, to show in a message. */
  readonly example: string
  /** The season that comes twice in a long cycle, and how its second is called. */
  readonly again?: { readonly season: number; readonly label: string }
  /** A season as it is read: `May`, `W05`, `Mon`. */
  seasonLabel(season: number): string
  /** A period as it is read: `Mar 2024`. */
  label(period: Period): string
  /** A cycle as it is read: `2024`, `2024 W05`. */
  cycleLabel(cycle: number): string
  /** The calendar year that a period lies in. */
  yearOf(period: Period): number
  /** The day that it begins on; null of periods without dates. */
  firstDay(period: Period): Day | null
  /** Its days; null of periods that have no dates, and of those shorter than a day. */
  days(period: Period): DaySpan | null
}
