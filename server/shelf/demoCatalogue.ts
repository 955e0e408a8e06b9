import { eq, sql } from 'drizzle-orm'
import { demoCatalogue } from '../../demo/catalogue'
import { documentFromSeries } from '../../shared/seriesSchema'
import { among } from '../database/among'
import type { Database } from '../database/open'
import { series, vintages } from '../database/schema'
import { problem } from '../http/problem'
import { keepSeries } from './shelfStore'

/** What the articles are said to have come from. */
const FILE = 'articles of the demo'

/**
 * Puts the invented articles on the shelf, each in the group of its line.
 *
 * @returns how many there are
 * @throws HttpProblem where they are there already
 */
export function keepDemoCatalogue(db: Database): number {
  const known = db
    .select({ id: vintages.id })
    .from(vintages)
    .where(eq(sql`json_extract(${vintages.source}, '$.file')`, FILE))
    .limit(1)
    .get()
  if (known) throw problem(409, 'The articles of the demo are there already, or in the trash.')
  const articles = demoCatalogue()
  const ids = keepSeries(
    db,
    articles.map((one) => ({ series: documentFromSeries(one.series), source: { file: FILE } })),
    'later',
  )
  const groups = new Map<string, string[]>()
  articles.forEach(({ group }, i) => groups.set(group, [...(groups.get(group) ?? []), ids[i]!]))
  for (const [group, own] of groups) {
    db.update(series).set({ group }).where(among(series.id, own)).run()
  }
  return ids.length
}
