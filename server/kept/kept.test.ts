import { readFileSync } from 'node:fs'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { analyse } from '../../core/analyse'
import { frozen } from '../../core/kept/kept'
import type { MethodDocument } from '../../core/method'
import { VERSION } from '../../shared/version'
import { openDatabase, type OpenDatabase } from '../database/open'
import { keptForecasts } from '../database/schema'
import { findSeries, toSeries } from '../series/storedSeries'
import { addVintage } from '../shelf/addVintage'
import { actOnSeries, changeSeries, keepSeries } from '../shelf/shelfStore'
import { agreeOn, findKept, keepForecast, listKept } from './keptStore'

const METHOD: MethodDocument = { format: 'elvant-method/1', forecast: { horizon: 3 } }
const MONTHS = Array.from({ length: 36 }, (_, i) => 100 + 10 * (i % 12))

let opened: OpenDatabase
let id: string
beforeEach(() => {
  opened = openDatabase(':memory:', 'server/database/migrations')
  id = series('Glaze', MONTHS)
})
afterEach(() => opened.close())

const incoming = (name: string, values: readonly number[]) => ({
  series: {
    ...{ name, unit: 'litres', frequency: 'monthly' as const, start: '2020-01' },
    values: [...values],
  },
  source: { file: 'test.csv' },
})

function series(name: string, values: readonly number[]): string {
  return keepSeries(opened.db, [incoming(name, values)])[0]!
}

function keep(name: string, seriesId = id): string {
  const now = toSeries(findSeries(opened.db, seriesId)!)
  const forecast = frozen(analyse(now, METHOD))
  return keepForecast(opened.db, seriesId, now, { name, note: '', method: METHOD, forecast })
}

/** Brings months in behind those that there are. */
function come(...more: number[]): void {
  addVintage(opened.db, id, incoming('Glaze', [...MONTHS, ...more]))
}

describe('a kept forecast', () => {
  it('stays what it was when newer values come, and is held against them', () => {
    const kept = keep('Budget')
    const before = findKept(opened.db, kept)!
    expect(before).toMatchObject({
      series: 'Glaze',
      from: '2023-01',
      to: '2023-03',
      version: VERSION,
    })
    expect(before.judged.came).toBe(0)
    come(150, 110)
    const after = findKept(opened.db, kept)!
    for (const key of ['seriesThen', 'method', 'forecast', 'createdAt'] as const) {
      expect(after[key]).toEqual(before[key])
    }
    expect(after.judged.came).toBe(2)
    expect(after.judged.periods[0]!.actual).toBe(150)
    expect(after.seriesNow.values).toHaveLength(38)
  })

  it('can be altered by nobody', () => {
    keep('Budget')
    expect(() => opened.db.update(keptForecasts).set({ name: 'Other' }).run()).toThrow(
      'never altered',
    )
    expect(listKept(opened.db)[0]!.name).toBe('Budget')
  })

  it('is listed behind those that need a new look, what has not come yet last', () => {
    keep('Plan')
    const other = series('Primer', MONTHS)
    keep('Not yet', other)
    come(400, 410, 420)
    const rows = listKept(opened.db)
    expect(rows.map(({ name }) => name)).toEqual(['Plan', 'Not yet'])
    expect(rows[0]!.judged.need).toMatchObject({ why: 'last', side: 'upper' })
    expect(listKept(opened.db, other).map(({ name }) => name)).toEqual(['Not yet'])
  })

  it('goes by the name that its series has now, and to the trash with it', () => {
    const kept = keep('Plan')
    changeSeries(opened.db, id, { name: 'Gloss' })
    expect(listKept(opened.db)[0]).toMatchObject({ series: 'Gloss', name: 'Plan' })
    actOnSeries(opened.db, { act: 'discard', ids: [id] })
    expect(listKept(opened.db)).toEqual([])
    expect(findKept(opened.db, kept)).toBeUndefined()
    actOnSeries(opened.db, { act: 'restore', ids: [id] })
    expect(listKept(opened.db)).toHaveLength(1)
    agreeOn(opened.db, id, kept)
    actOnSeries(opened.db, { act: 'discard', ids: [id] })
    actOnSeries(opened.db, { act: 'erase', ids: [id] })
    expect(opened.db.select().from(keptForecasts).all()).toEqual([])
  })

  it('is the agreed one of its series, one at a time', () => {
    const [first, second] = [keep('First'), keep('Second')]
    const agreed = () => listKept(opened.db).flatMap((one) => (one.isAgreed ? [one.name] : []))
    expect(agreeOn(opened.db, id, first)).toBe(true)
    expect(agreed()).toEqual(['First'])
    agreeOn(opened.db, id, second)
    expect(agreed()).toEqual(['Second'])
    agreeOn(opened.db, id, null)
    expect(agreed()).toEqual([])
    expect(agreeOn(opened.db, series('Primer', MONTHS), first)).toBe(false)
  })
})

it('the version that is kept with figures is that of the package', () => {
  const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { version: string }
  expect(VERSION).toBe(version)
})
