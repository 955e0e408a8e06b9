import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { readTable } from '../../intake/readTable'
import { documentFromSeries } from '../../shared/seriesSchema'
import type { Database } from '../database/open'
import { log } from '../http/log'
import { keepSeries } from './seriesStore'

/**
 * Brings the demo files in the way an analyst's are: a file whose reading needs an answer is left
 * where it is, to be tried by hand.
 */
export function keepDemo(db: Database, folder: string): void {
  for (const file of readdirSync(folder).sort()) {
    const reading = readTable(readFileSync(join(folder, file), 'utf8'))
    if (reading.outcome === 'refused') {
      log.debug({ file, because: reading.problems[0]!.because }, 'demo file left out')
      continue
    }
    keepSeries(
      db,
      reading.series.map(({ series, column }) => ({
        series: documentFromSeries(series),
        source: { file, column: column + 1 },
      })),
    )
  }
}
