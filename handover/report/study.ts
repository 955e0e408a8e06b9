import { analyse } from '../../core/analyse'
import { check } from '../../core/check/check'
import type { MethodDocument } from '../../core/method'
import type { Result } from '../../core/result'
import { methodSentence } from '../../core/sentence/sentence'
import type { Series } from '../../core/series/series'
import { piecesText } from '../../core/word'
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
  /** Why it is to be looked at, the most urgent first; left out by a report that does not say. */
  readonly lookAt?: readonly string[]
}

/** What every part of a report is written from. */
export interface PartOf extends ReportedStudy {
  readonly workings: Workings
  readonly says: ReadersFigures
}

/**
 * A method carried out on a series and checked, to be reported on.
 *
 * @throws Refusal as the method does
 */
export function studyOf(
  series: Series,
  method: MethodDocument,
  about: Pick<ReportedStudy, 'source' | 'choices' | 'lookAt'>,
): ReportedStudy {
  const result = analyse(series, method)
  const checked = result.check ?? check(series, method)
  return {
    ...about,
    result: checked ? { ...result, check: checked } : result,
    sentence: piecesText(methodSentence(result.method, series)),
  }
}
