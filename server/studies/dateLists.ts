import { and, eq, isNull, sql } from 'drizzle-orm'
import type { MethodDocument } from '../../core/method'
import type { KeptDateList } from '../../shared/api/dateLists'
import type { Database } from '../database/open'
import { series, studies } from '../database/schema'

/** Lists that are given at the most, and series that each is said to be of. */
const MOST_LISTS = 100
const MOST_SERIES = 5
/** Studies that are looked through at the most, the last changed first. */
const MOST_STUDIES = 2_000

/**
 * The lists of dates that methods of the series on the shelf have, each once; the same name with other dates is another.
 *
 * A method keeps its own dates, so that its figures do not change with those of another series.
 */
export function dateListsOf(db: Database): KeptDateList[] {
  const rows = db
    .select({ id: studies.id, name: series.name, method: studies.method })
    .from(studies)
    .innerJoin(series, eq(series.id, studies.seriesId))
    .where(
      and(
        isNull(series.deletedAt),
        sql`json_extract(${studies.method}, '$.calendar.holidays') is not null`,
      ),
    )
    .orderBy(sql`${studies.updatedAt} desc`)
    .limit(MOST_STUDIES)
    .all()
  const lists = new Map<string, KeptDateList>()
  for (const { id, name: seriesName, method } of rows) {
    for (const { name, dates, before = 0, after = 0 } of holidaysOf(method)) {
      const key = JSON.stringify([name, dates, before, after])
      const known = lists.get(key) ?? {
        name,
        dates: [...dates],
        before,
        after,
        series: [],
        studies: [],
      }
      // Several studies of a series can have the same list.
      const isNew = !known.series.includes(seriesName)
      if (isNew && known.series.length < MOST_SERIES) known.series.push(seriesName)
      known.studies.push(id)
      lists.set(key, known)
    }
  }
  return [...lists.values()].slice(0, MOST_LISTS)
}

function holidaysOf({ calendar }: MethodDocument) {
  return calendar?.holidays ?? []
}
