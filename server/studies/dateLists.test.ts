import { afterEach, beforeEach, expect, it } from 'vitest'
import { eq } from 'drizzle-orm'
import type { MethodDocument } from '../../core/method'
import { openDatabase, type OpenDatabase } from '../database/open'
import { studies } from '../database/schema'
import { actOnSeries, keepSeries } from '../shelf/shelfStore'
import { addStudy } from './seriesStudies'
import { dateListsOf } from './dateLists'

let opened: OpenDatabase
beforeEach(() => (opened = openDatabase(':memory:', 'server/database/migrations')))
afterEach(() => opened.close())

const FAIR = { name: 'fair', dates: ['2020-05-01', '2021-05-08'], after: 2 }

/** The list of these dates. */
function listOf({ dates }: typeof FAIR) {
  return dateListsOf(opened.db).find((one) => one.dates.join() === dates.join())!
}

/** Keeps a series whose method has these lists. */
function keep(name: string, holidays: NonNullable<MethodDocument['calendar']>['holidays']): string {
  const values = [1, 2, 3]
  const [id] = keepSeries(opened.db, [
    {
      series: { name, unit: 'litres', frequency: 'monthly', start: '2020-01', values },
      source: { file: 'test.csv' },
    },
  ]) as [string]
  const method: MethodDocument = {
    format: 'elvant-method/1',
    ...(holidays ? { calendar: { holidays } } : {}),
  }
  opened.db.update(studies).set({ method }).where(eq(studies.seriesId, id)).run()
  return id
}

it('lists of dates are had from the methods of all series, each once, with the series that have it', () => {
  keep('Plain', undefined)
  keep('Depot A', [FAIR])
  keep('Depot B', [FAIR, { name: 'sale', dates: ['2021-01-02'] }])
  const other = keep('Depot C', [{ ...FAIR, dates: ['2022-05-07'] }])
  const lists = dateListsOf(opened.db)
  expect(lists).toHaveLength(3)
  const [fair] = lists.filter(({ name, dates }) => name === 'fair' && dates.length === 2)
  expect(fair).toMatchObject({ ...FAIR, before: 0 })
  expect(fair!.series.toSorted()).toEqual(['Depot A', 'Depot B'])
  expect(fair!.studies).toHaveLength(2)
  // Another study of the same series with the same list is no other series.
  const again = { format: 'elvant-method/1', calendar: { holidays: [FAIR] } } as const
  addStudy(opened.db, other, { name: '', method: again as never })
  addStudy(opened.db, other, { name: '', method: again as never })
  expect(listOf(FAIR).series.filter((name) => name === 'Depot C')).toHaveLength(1)
  // What lies in the trash is not there.
  actOnSeries(opened.db, { act: 'discard', ids: [other] })
  expect(dateListsOf(opened.db)).toHaveLength(2)
})
