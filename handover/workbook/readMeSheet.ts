import { verdictLine } from '../../core/check/words'
import { periodLabel, oneCycle } from '../../core/calendar/labels'
import { parsePeriod } from '../../core/calendar/codes'
import { calendarOfResult } from '../../core/ledger/calendarOfResult'
import type { Result } from '../../core/result'
import { OWN_WORKBOOK } from '../../intake/ownWorkbook'
import { doneByHand } from '../doneByHand'
import { headingOf } from '../heading'
import { PROSE_WIDTH, SheetDraft, type Look, type Sheet } from './sheet'

/** What is said of a workbook that its result does not know. */
export interface Told {
  /** The method in one sentence. */
  readonly sentence: string
  readonly version: string
  /** The day it was written, as the reader writes it. */
  readonly date: string
}

/** What the workbook is, how its figures were made and by whom they were bent, and how its cells are to be read. */
export function readMeSheet(result: Result, { sentence, version, date }: Told): Sheet {
  const { series, findings, check } = result
  const sheet = new SheetDraft()
  const calendar = calendarOfResult(result)
  const label = (code: string) => {
    const period = parsePeriod(code, calendar)
    return period ? periodLabel(period, calendar) : code
  }
  let row = 0
  const say = (what: string, text: string, look: Look = 'prose') => {
    sheet.put(row, 0, { value: what, look: 'label' })
    sheet.put(row, 1, { value: text, look })
    row += 1
  }
  const list = (what: string, texts: readonly string[]) => {
    texts.forEach((text, i) => say(i === 0 ? what : '', text))
  }
  const counted = `${label(series.start)} to ${label(series.end)}, ${series.frequency}; ${series.missing} of ${series.periods} periods came in without a value`
  say(OWN_WORKBOOK.series, headingOf(series.name, series.unit), 'title')
  say('periods', counted)
  say('method', sentence)
  if (check?.verdict) say('verdict', verdictLine(check.verdict, series.unit, oneCycle(calendar)))
  list(
    'worth knowing',
    [...findings, ...(check?.findings ?? [])].map(({ text }) => text),
  )
  for (const { what, texts } of doneByHand(result)) list(what, texts)
  say('made by', `Elvant ${version} on ${date}`)
  row += 1
  say(
    'how to read it',
    'Figures follow from others by their formulas: change one, and what hangs on it changes.',
  )
  say('', 'Came in, or was given: may be changed.', 'input')
  say(
    '',
    'No formula can say it (a local regression, a search, simulated paths): stays as it was calculated.',
    'calculated',
  )
  say(
    '',
    'The choices themselves are not made again here: weights, orders and outliers stay as they were found.',
  )
  return sheet.done(OWN_WORKBOOK.about, { rows: 0, columns: 1 }, [24, PROSE_WIDTH])
}
