import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { analyse } from '../../core/analyse'
import { actualOf } from '../../core/ledger/ledger'
import type { MethodDocument } from '../../core/method'
import type { TakeOnRow } from '../../shared/api/derived'
import { openDatabase, type OpenDatabase } from '../database/open'
import { derivationOf } from '../series/derivation'
import { shelfPage } from '../series/shelfRows'
import { findSeries, toSeries, writeAdjustments } from '../series/storedSeries'
import { addVintage } from '../shelf/addVintage'
import { actOnSeries, changeSeries, keepSeries } from '../shelf/shelfStore'
import { calculateRow, keepRefreshed, keepRow, refreshedRows } from './derivedSeries'

const METHOD: MethodDocument = { format: 'elvant-method/1', forecast: { horizon: 3 } }
const MONTHS = Array.from({ length: 48 }, (_, i) => 100 + i + 10 * (i % 12))

let opened: OpenDatabase
let id: string
beforeEach(() => {
  opened = openDatabase(':memory:', 'server/database/migrations')
  id = keepSeries(opened.db, [incoming(MONTHS)])[0]!
})
afterEach(() => opened.close())

const incoming = (values: readonly number[]) => ({
  series: {
    ...{ name: 'Glaze', unit: 'litres', frequency: 'monthly' as const, start: '2020-01' },
    values: [...values],
  },
  source: { file: 'test.csv' },
})

function takeOn(row: TakeOnRow['row'], from = id): string {
  const stored = findSeries(opened.db, from)!
  return keepRow(opened.db, calculateRow(stored, { row, method: METHOD }))
}

/** What is done after every change, until nothing more follows. */
function refresh(from = id): string[] {
  const changed = keepRefreshed(opened.db, refreshedRows(opened.db, [from]))
  return [...changed, ...changed.flatMap((own) => refresh(own))]
}

function valuesOf(own: string) {
  return findSeries(opened.db, own)!.vintage.values
}

function rowNow(row: string, from = id) {
  return actualOf(analyse(toSeries(findSeries(opened.db, from)!), METHOD), row)
}

describe('a row that is a series of its own', () => {
  it('says what it is calculated from', () => {
    const own = takeOn('deseasonalized')
    expect(findSeries(opened.db, own)).toMatchObject({
      name: 'Deseasonalized of Glaze',
      unit: 'litres',
      vintage: { start: '2020-01', source: { file: 'Deseasonalized of Glaze' } },
    })
    expect(valuesOf(own)).toEqual(rowNow('deseasonalized'))
    changeSeries(opened.db, id, { name: 'Clear glaze' })
    expect(derivationOf(opened.db, own)).toMatchObject({
      label: 'Deseasonalized',
      from: { id, name: 'Clear glaze' },
      problem: '',
    })
    const rows = shelfPage(opened.db).series
    expect(rows.find((row) => row.id === own)!.derived?.from?.id).toBe(id)
    expect(rows.find((row) => row.id === id)!.derived).toBeUndefined()
  })

  it('follows newer values and adjustments, also through another row, and keeps what it was', () => {
    const own = takeOn('deseasonalized')
    const further = takeOn('trendCycle', own)
    const before = valuesOf(own)
    expect(refresh()).toEqual([])

    addVintage(opened.db, id, incoming([...MONTHS, 160]))
    expect(refresh()).toEqual([own, further])
    expect(valuesOf(own)).toHaveLength(49)
    expect(valuesOf(own)).toEqual(rowNow('deseasonalized'))
    expect(valuesOf(further)).toEqual(rowNow('trendCycle', own).slice(6, -6))

    writeAdjustments(opened.db, id, [{ period: '2021-03', value: 500, reason: 'typed' }])
    expect(refresh()).toContain(own)
    expect(valuesOf(own)).toEqual(rowNow('deseasonalized'))
    expect(valuesOf(own)).not.toEqual(before)
  })

  it('is written down once, whoever else has calculated it', () => {
    const own = takeOn('deseasonalized')
    addVintage(opened.db, id, incoming([...MONTHS, 160]))
    const refreshed = refreshedRows(opened.db, [id])
    expect(keepRefreshed(opened.db, refreshed)).toEqual([own])
    expect(keepRefreshed(opened.db, refreshed)).toEqual([])
  })

  it('stays as it is where it cannot be calculated any more, and says why', () => {
    const own = takeOn('deseasonalized')
    const before = valuesOf(own)
    addVintage(opened.db, id, { ...incoming([5, 6, 7]), vanished: 'drop' })
    expect(refresh()).toEqual([])
    expect(valuesOf(own)).toEqual(before)
    expect(derivationOf(opened.db, own)!.problem).toMatch(/\w/)
    addVintage(opened.db, id, incoming(MONTHS))
    refresh()
    expect(derivationOf(opened.db, own)!.problem).toBe('')
  })

  it('stands alone once its origin is deleted for good, and goes with no trace', () => {
    const own = takeOn('irregular')
    actOnSeries(opened.db, { act: 'discard', ids: [id] })
    expect(derivationOf(opened.db, own)).toMatchObject({ from: null })
    actOnSeries(opened.db, { act: 'restore', ids: [id] })
    expect(derivationOf(opened.db, own)).toMatchObject({ from: { id } })
    actOnSeries(opened.db, { act: 'discard', ids: [id] })
    actOnSeries(opened.db, { act: 'erase', ids: [id] })
    expect(valuesOf(own).length).toBeGreaterThan(30)
    expect(derivationOf(opened.db, own)).toMatchObject({ label: 'Irregular', from: null })
    actOnSeries(opened.db, { act: 'discard', ids: [own] })
    actOnSeries(opened.db, { act: 'erase', ids: [own] })
    expect(derivationOf(opened.db, own)).toBeUndefined()
  })

  it('can be a row beside the method', () => {
    const own = takeOn({ kind: 'average', by: { kind: 'centred', order: 5 } })
    expect(findSeries(opened.db, own)!.name).toBe('5 terms (moving average) of Glaze')
    expect(valuesOf(own)).toHaveLength(44)
    addVintage(opened.db, id, incoming([...MONTHS, 160]))
    expect(refresh()).toEqual([own])
    expect(valuesOf(own)).toHaveLength(45)
  })

  it('is refused where the method has no such figures', () => {
    expect(() => takeOn('forecast')).toThrow(/no figures of the past/)
    expect(shelfPage(opened.db).series).toHaveLength(1)
  })
})
