import { stripsOf } from '../../core/picture/stages/stages'
import type { Strip } from '../../core/picture/strips'
import { calendarOfResult, startOfResult } from '../../core/ledger/calendarOfResult'
import { isResult } from '../../core/ledger/ledger'
import type { Looked, Result } from '../../core/result'
import type { Stage } from '../../core/stage'
import { displayScale } from '../../core/words/displayScale'
import type { ReadersFigures } from '../../core/words/readersFigures'
import { besideColumn } from '../../core/beside/besideColumn'
import type { Inspected } from '../../core/picture/sources'
import { orNull } from '../../core/refusal'
import { periodsAcross } from '../../core/picture/drawn/across'
import type { Drawn } from '../../core/picture/drawn/drawn'
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
    inspected: usualGrowth(result),
    ...{ peaks: null, ghost: null, pinned: [], tried: null, kept: [], outside: [] },
    oneScale: false,
  })
}

/** Growth on the year before, as it is looked at first; a series without seasons grows from period to period. */
function usualGrowth(result: Looked | Result): Inspected[] {
  const rate = result.series.seasons > 1 ? 'yearOnYear' : 'periodOnPeriod'
  const beside = { kind: 'growth', rate, on: 'value' } as const
  const column = orNull(() => besideColumn(result, beside))
  return column ? [{ beside, column, problem: null }] : []
}

/**
 * A picture of strips of a result.
 *
 * @param within time codes of the first and the last period; all of them when left out
 */
export function pictureOfResult(
  result: Looked | Result,
  strips: readonly Strip[],
  says: ReadersFigures,
  said: PictureSaid,
  within?: { readonly from: number; readonly to: number },
): PictureOf {
  const [firstT, lastT] = [result.columns.t[0]!, result.columns.t.at(-1)!]
  const endT = isResult(result) ? (result.forecast.t.at(-1) ?? lastT) : lastT
  const series = { calendar: calendarOfResult(result), start: startOfResult(result) }
  // What is shown first says what the picture is of.
  const { title = '', unit = '' } = strips[0] ?? {}
  const drawn: Drawn = {
    strips,
    subtitle: [title, unit].filter((text) => text !== '').join(', '),
    across: periodsAcross(series, within ?? { from: firstT, to: endT }, lastT),
  }
  return pictureOfDrawn(result, drawn, says, said)
}

/** The same of what is drawn over anything else than periods. */
export function pictureOfDrawn(
  result: Looked | Result,
  drawn: Drawn,
  says: ReadersFigures,
  said: PictureSaid,
): PictureOf {
  return { ...drawn, ...said, says, scale: scaleOf(result) }
}

function scaleOf({ columns, series }: Looked | Result) {
  return displayScale(columns.value, series.unit)
}
