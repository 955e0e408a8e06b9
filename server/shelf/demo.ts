import { METHOD_FORMAT, type MethodDocument } from '../../core/method'
import { datesOfCalendar } from '../../intake/dates/calendarFile'
import { sourceOf } from '../../shared/api/series'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { readFile } from '../../intake/readFile'
import { documentFromSeries } from '../../shared/seriesSchema'
import type { Database, OpenDatabase } from '../database/open'
import { series } from '../database/schema'
import { log } from '../http/log'
import { keepSeries } from './shelfStore'

/** What an analyst who knows Quillfield would answer; the other files ask nothing. */
const ANSWERS = {
  'brushes-and-rollers.csv': { duplicates: 'first' },
  'primer-by-week.csv': { frequency: 'weekly' },
  'trade-counter-takings.csv': { frequency: 'daily' },
  'web-orders-by-hour.csv': { frequency: 'hourly' },
} as const

/** The list of dates that the method of a file takes out. */
const PROMOTIONS: Readonly<Record<string, string>> = { 'decking-oil.csv': 'decking-weeks.ics' }
/** The years of those lists. */
const LISTED = { first: 2016, last: 2027 }

/** Set in a database once it has been decided whether the demo belongs in it. */
const DECIDED = 1

/**
 * Brings the demo files in the way an analyst's are, all of them or none: a start that was killed makes the demo whole the
 * next time. A database that has series already stays as it is.
 */
export function keepDemo({ db }: Pick<OpenDatabase, 'db'>, folder: string, lists: string): void {
  const { user_version: decided } = db.get<{ user_version: number }>('PRAGMA user_version')
  if (decided >= DECIDED) return
  db.transaction((tx) => {
    if (!tx.select({ id: series.id }).from(series).limit(1).get())
      bringIn(tx as Database, folder, lists)
    tx.run(sql.raw(`PRAGMA user_version = ${DECIDED}`))
  })
}

function bringIn(db: Database, folder: string, lists: string): void {
  for (const file of readdirSync(folder).sort()) {
    const answers = ANSWERS[file as keyof typeof ANSWERS] ?? {}
    const reading = readFile(readFileSync(join(folder, file)), answers)
    if (reading.outcome !== 'ok') {
      log.warn({ file, outcome: reading.outcome }, 'demo file left out')
      continue
    }
    keepSeries(
      db,
      reading.series.map(({ series: read, ...one }) => ({
        // Quillfield's files head what was sold; takings and orders say what they are by themselves.
        series: documentFromSeries({
          ...read,
          noun: /takings|orders/.test(read.name) ? '' : 'sales',
        }),
        source: sourceOf(file, one),
      })),
      reading.series.map(() => methodOf(file, lists)),
    )
  }
}

/** What a demo series begins with: the usual method, without the promotions that a list has. */
function methodOf(file: string, lists: string): MethodDocument {
  const list = PROMOTIONS[file]
  if (list === undefined) return { format: METHOD_FORMAT }
  const holidays = datesOfCalendar(readFileSync(join(lists, list), 'utf8'), LISTED)
  return {
    format: METHOD_FORMAT,
    calendar: { holidays: holidays.map(({ name, dates }) => ({ name, dates: [...dates] })) },
  }
}
