import type { Period } from '../core/calendar/period'
import type { Seasons } from './familyPeriods'

/** Gives numbers from 0 to below 1. */
export type Random = () => number

/** What a file says, for certain. */
export interface Truth {
  readonly seasons: Seasons
  readonly start: Period
  readonly series: readonly { readonly name: string; readonly values: readonly (number | null)[] }[]
}

/** A file as an analyst may have it, with what it says and the answers to questions that may be asked. */
export interface FamilyFile {
  readonly truth: Truth
  readonly text: string
  readonly answers: Readonly<Record<string, string>>
  /** The choices that it was written by, to find what is misread. */
  readonly made: readonly string[]
}
