import { afterEach, beforeEach, expect, it } from 'vitest'
import type { MethodDocument } from '../../core/method'
import { openDatabase, type OpenDatabase } from '../database/open'
import { shelfPage } from '../series/shelfRows'
import { actOnSeries, keepSeries } from '../shelf/shelfStore'
import { addStudy, deleteStudy, listStudies, MOST_STUDIES, renameStudy } from './seriesStudies'
import { findStudy, saveStudy } from './studyStore'

const METHOD: MethodDocument = { format: 'elvant-method/1', forecast: { horizon: 3 } }
let opened: OpenDatabase
let id: string
beforeEach(() => {
  opened = openDatabase(':memory:', 'server/database/migrations')
  const series = {
    ...{ name: 'Glaze', unit: 'litres', frequency: 'monthly' as const, start: '2020-01' },
    values: [1, 2, 3],
  }
  ;[id] = keepSeries(opened.db, [{ series, source: { file: 'a.csv' } }]) as [string]
})
afterEach(() => opened.close())

function add(name: string): string {
  const outcome = addStudy(opened.db, id, { name, method: METHOD as never })
  if (outcome.kind !== 'added') throw new Error(outcome.kind)
  return outcome.id
}

it('a series holds several studies, each with its method; the first one opens with it and stays', () => {
  const [first] = listStudies(opened.db, id)!
  const second = add('For the board')
  const third = add('')
  expect(listStudies(opened.db, id)!.map(({ id: own, opensFirst }) => [own, opensFirst])).toEqual([
    [first!.id, true],
    [second, false],
    [third, false],
  ])
  expect(findStudy(opened.db, second)!.method).toEqual(METHOD)
  const { series } = shelfPage(opened.db)
  expect(series).toHaveLength(1)
  expect(series[0]).toMatchObject({
    studyId: first!.id,
    others: [
      { id: second, name: 'For the board' },
      { id: third, name: '' },
    ],
    kept: 0,
  })
  expect(renameStudy(opened.db, third, 'High')).toBe(true)
  expect(deleteStudy(opened.db, second)).toBe(true)
  expect(deleteStudy(opened.db, first!.id)).toBe(false)
  expect(listStudies(opened.db, id)!.map(({ name }) => name)).toEqual(['', 'High'])
})

it('what one study changes of the series makes copies of the other stale', () => {
  const second = add('')
  const [first] = listStudies(opened.db, id)!
  const before = findStudy(opened.db, first!.id)!.version
  const adjustments = [{ period: '2020-02', value: 5, reason: 'typed wrong' }]
  saveStudy(opened.db, second, { method: METHOD as never, adjustments, version: 1 })
  const after = findStudy(opened.db, first!.id)!
  expect(after.version).toBe(before + 1)
  expect(after.series.adjustments).toEqual(adjustments)
})

it('there are as many as a line of tabs has room for, of a series that is there', () => {
  for (let i = 1; i < MOST_STUDIES; i++) add('')
  expect(addStudy(opened.db, id, { name: '', method: METHOD as never }).kind).toBe('full')
  actOnSeries(opened.db, { act: 'discard', ids: [id] })
  expect(addStudy(opened.db, id, { name: '', method: METHOD as never }).kind).toBe('gone')
  expect(listStudies(opened.db, id)).toBeUndefined()
  // Deleted for good, its studies go with it.
  actOnSeries(opened.db, { act: 'erase', ids: [id] })
  expect(shelfPage(opened.db).series).toEqual([])
})
