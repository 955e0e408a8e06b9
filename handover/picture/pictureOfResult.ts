import { stripsOf } from '../../core/picture/stages/stages'
import type { Strip } from '../../core/picture/strips'
import { calendarOfResult, startOfResult } from '../../core/ledger/calendarOfResult'
import { isResult } from '../../core/ledger/ledger'
import type { Looked, Result } from '../../core/result'
import type { Stage } from '../../core/stage'
import { displayScale } from '../../core/words/displayScale'
import type { ReadersFigures } from '../../core/words/readersFigures'
import type { PictureOf } from './picture'

/** What is said around a picture. */
export interface PictureSaid {
  readonly title: string
  readonly source: string
}

/** The strips of a stage as they are without anything laid beside. */
export function stripsOfStage(
  result: Looked | Result,
  stage: Stage,
  says: ReadersFigures,
): Strip[] {
  return stripsOf(stage, result, {
    ...{ scale: scaleOf(result), says, noun: result.series.noun },
    ...{ inspected: [], peaks: null, ghost: null, pinned: [], tried: null, kept: [], outside: [] },
    oneScale: false,
  })
}

/** A picture of strips of a result. */
export function pictureOfResult(
  result: Looked | Result,
  strips: readonly Strip[],
  says: ReadersFigures,
  said: PictureSaid,
): PictureOf {
  const [firstT, lastT] = [result.columns.t[0]!, result.columns.t.at(-1)!]
  // What is shown first says what the picture is of.
  const { title = '', unit = '' } = strips[0] ?? {}
  return {
    ...said,
    subtitle: [title, unit].filter((text) => text !== '').join(', '),
    ...{ strips, says, scale: scaleOf(result), firstT, lastT },
    series: { calendar: calendarOfResult(result), start: startOfResult(result) },
    endT: isResult(result) ? (result.forecast.t.at(-1) ?? lastT) : lastT,
  }
}

function scaleOf({ columns, series }: Looked | Result) {
  return displayScale(columns.value, series.unit)
}
