import { freeze } from '../../core/kept/kept'
import { leaningWords, needWords, recordLine } from '../../core/kept/words'
import { keepRequestSchema, type KeptRow } from '../../shared/api/kept'
import { parseDocument } from '../../shared/parseDocument'
import { findKept, keepForecast, listKept } from '../../server/kept/keptStore'
import { findSeries, toSeries } from '../../server/series/storedSeries'
import { readJson } from '../files'
import { printJson } from '../output'
import { seriesNamed, withDatabase } from './database'

export interface KeepOptions {
  readonly series: string
  readonly method: string
  readonly name: string
  readonly note?: string
}

export interface JudgeOptions {
  readonly series?: string
}

/** Freezes the forecast of a method on a series of the shelf under a name, and prints what was kept. */
export function keep({ series: called, method: path, name, note = '' }: KeepOptions): void {
  const asked = parseDocument(keepRequestSchema, { name, note, method: readJson(path) })
  const kept = withDatabase((db) => {
    const id = seriesNamed(db, called)
    const series = toSeries(findSeries(db, id)!)
    const forecast = freeze(series, asked.method)
    return findKept(db, keepForecast(db, id, series, { ...asked, forecast }))!
  })
  printJson({ format: 'elvant-kept/1', ...kept })
}

/** Prints how the kept forecasts of one series, or of all, did: the worst first. */
export function judgeKept({ series }: JudgeOptions): void {
  const kept = withDatabase((db) =>
    listKept(db, series === undefined ? undefined : seriesNamed(db, series)),
  )
  printJson({ format: 'elvant-judged/1', kept })
  for (const row of kept) process.stderr.write(`${lineOf(row)}\n`)
}

/** `Exterior paint, "Budget" (agreed): Jan 2026 to Mar 2026: off by 3.1% …. A new look: …` */
function lineOf({ series, name, isAgreed, judged, calendar, unit }: KeptRow): string {
  const leaning = leaningWords(judged)
  return [
    `${series}, "${name}"${isAgreed ? ' (agreed)' : ''}: ${recordLine(judged, { calendar, unit })}`,
    ...(leaning ? [leaning] : []),
    ...(judged.need ? [`needs a new look: ${needWords(judged.need)}`] : []),
  ].join('; ')
}
