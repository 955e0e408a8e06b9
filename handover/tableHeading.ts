import { cycleOfResult } from '../core/ledger/calendarOfResult'
import { verdictLine } from '../core/check/words'
import type { Looked, Result } from '../core/result'
import { headingOf } from './heading'

/** What is said above a table that is handed over, and its result does not know. */
export interface TableTold {
  /** The method in one sentence; null of a series that is only looked at. */
  readonly sentence: string | null
  /** The day it was made, as the reader writes it. */
  readonly date: string
  /** A sentence with its figures as the reader writes them; as the core does when left out. */
  readonly says?: (text: string) => string
}

/** What a table is about, a line each: the series and its unit, the method, how such forecasts did, and the day. */
export function tableHeading(
  result: Looked | Result,
  { sentence, date, says = (text) => text }: TableTold,
): string[] {
  const { name, unit } = result.series
  const verdict = 'check' in result ? result.check?.verdict : null
  return [
    headingOf(name, unit),
    ...(sentence === null ? [] : [says(sentence)]),
    ...(verdict ? [says(verdictLine(verdict, unit, cycleOfResult(result)))] : []),
    date,
  ]
}
