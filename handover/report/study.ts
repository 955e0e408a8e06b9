import type { Result } from '../../core/result'
import type { ReadersFigures } from '../../core/words/readersFigures'
import type { ReportChoices } from './choices'
import type { Workings } from './workings'

/** A study that is reported on. */
export interface ReportedStudy {
  /** With its check, where it was checked. */
  readonly result: Result
  /** The method in one sentence. */
  readonly sentence: string
  /** The file that the values came from. */
  readonly source: string
  readonly choices: ReportChoices
}

/** What every part of a report is written from. */
export interface PartOf extends ReportedStudy {
  readonly workings: Workings
  readonly says: ReadersFigures
}
