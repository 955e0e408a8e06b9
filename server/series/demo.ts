import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { readFile } from '../../intake/readFile'
import { documentFromSeries } from '../../shared/seriesSchema'
import type { Database } from '../database/open'
import { log } from '../http/log'
import { keepSeries } from './seriesStore'

/** What an analyst who knows Quillfield would answer; the other files ask nothing. */
const ANSWERS = { 'brushes-and-rollers.csv': { duplicates: 'first' } } as const

/** Brings the demo files in the way an analyst's are. */
export function keepDemo(db: Database, folder: string): void {
  for (const file of readdirSync(folder).sort()) {
    const answers = ANSWERS[file as keyof typeof ANSWERS] ?? {}
    const reading = readFile(readFileSync(join(folder, file)), answers)
    if (reading.outcome !== 'ok') {
      log.warn({ file, outcome: reading.outcome }, 'demo file left out')
      continue
    }
    keepSeries(
      db,
      reading.series.map(({ series, column }) => ({
        // Quillfield's files head what was sold; one says takings by itself.
        series: documentFromSeries({ ...series, noun: /takings/.test(series.name) ? '' : 'sales' }),
        source: { file, ...(column === null ? {} : { column: column + 1 }) },
      })),
    )
  }
}
