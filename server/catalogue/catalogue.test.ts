import { eq } from 'drizzle-orm'
import { strFromU8, unzipSync } from 'fflate'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { USUAL_THRESHOLDS } from '../../core/catalogue/attention'
import { demoCatalogue } from '../../demo/catalogue'
import { documentFromSeries } from '../../shared/seriesSchema'
import { openDatabase, type OpenDatabase } from '../database/open'
import { keptForecasts, series, studies } from '../database/schema'
import { shelfPage } from '../series/shelfRows'
import { addVintage } from '../shelf/addVintage'
import { listStudies } from '../studies/seriesStudies'
import { actOnSeries, keepSeries } from '../shelf/shelfStore'
import { valuesOf } from '../series/valuesOf'
import { chosenSeries } from './chosenSeries'
import { exportForecasts, workedSeries } from './exportForecasts'
import {
  addToRun,
  lastRun,
  lastWork,
  nextLeft,
  setRunState,
  workedBefore,
  writeRun,
} from './runStore'
import { keepPassedOver, keepWork, noteSeen, workOn } from './workedStore'

const ARTICLES = demoCatalogue(20)
const WORK = { kind: 'work' } as const

let opened: OpenDatabase
let ids: string[]
beforeEach(() => {
  opened = openDatabase(':memory:', 'server/database/migrations')
  ids = keepSeries(
    opened.db,
    ARTICLES.map(({ series }) => ({
      series: documentFromSeries(series),
      source: { file: 'articles.csv' },
    })),
  )
})
afterEach(() => opened.close())

/** Does some of what a run has left, as a thread does. */
function work(runId: number, most: number, task: Parameters<typeof workOn>[1] = WORK) {
  const some = nextLeft(opened.db, runId, most, new Set())
  keepWork(opened.db, runId, task, workOn(opened.db, task, some))
  return some.map(({ seriesId }) => seriesId)
}
const rowOf = (id: string) => shelfPage(opened.db).series.find((row) => row.id === id)!

describe('series that are worked on together', () => {
  it('are those of a group and of the groups in it, each with the method of its study', () => {
    actOnSeries(opened.db, { act: 'group', ids: ids.slice(0, 2), group: 'Wood / Oil' })
    actOnSeries(opened.db, { act: 'group', ids: ids.slice(2, 3), group: 'Wood' })
    const wood = chosenSeries(opened.db, { group: 'Wood' })
    expect(wood.map(({ group }) => group).sort()).toEqual(['Wood', 'Wood / Oil', 'Wood / Oil'])
    expect(wood[0]!.method).toEqual({ format: 'elvant-method/1' })
    // One that waits for its beginning has no method yet.
    const article = { series: documentFromSeries(ARTICLES[0]!.series), source: { file: 'a.csv' } }
    const [later] = keepSeries(opened.db, [article], 'later')
    expect(chosenSeries(opened.db, { ids: [later!, ids[0]!] }).map(({ method }) => method)).toEqual(
      expect.arrayContaining([undefined]),
    )
    expect(chosenSeries(opened.db, { group: 'Wood / Oil' })).toHaveLength(2)
    expect(chosenSeries(opened.db, { group: '' })).toHaveLength(18)
    expect(chosenSeries(opened.db, { ids: ids.slice(4, 9) })).toHaveLength(5)
    actOnSeries(opened.db, { act: 'discard', ids: ids.slice(2, 3) })
    expect(chosenSeries(opened.db, { group: 'Wood' })).toHaveLength(2)
  })
})

describe('a run over the shelf', () => {
  it('does each series once, also when it is left and taken up again', () => {
    const runId = writeRun(opened.db, { task: WORK })!
    const first = work(runId, 8)
    expect(lastRun(opened.db)).toMatchObject({ state: 'running', of: 20, left: 12 })
    setRunState(opened.db, runId, 'paused')
    expect(lastRun(opened.db)).toMatchObject({ state: 'paused', left: 12 })
    const rest = work(runId, 100)
    expect([...first, ...rest].sort()).toEqual([...ids].sort())
    expect(lastRun(opened.db)!.left).toBe(0)
  })

  it('leaves as one table of all forecasts and one of rows, under the names that series have now', async () => {
    work(writeRun(opened.db, { task: WORK })!, 20)
    opened.db.update(series).set({ name: 'Renamed' }).where(eq(series.id, ids[3]!)).run()
    const all = workedSeries(opened.db, ids.slice(0, 5))
    expect(all.map(({ row }) => row.name)).toContain('Renamed')
    const read = (bytes: Uint8Array) =>
      Object.fromEntries(
        Object.entries(unzipSync(bytes)).map(([name, file]) => [name, strFromU8(file)]),
      )
    const files = read((await exportForecasts(all, 'csv')).bytes)
    const lines = files['forecasts.csv']!.trim().split('\r\n')
    // Twelve months of each, below the header.
    expect(lines).toHaveLength(1 + 12 * all.filter(({ forecast }) => forecast).length)
    expect(lines[0]).toMatch(/series,unit,period,forecast,lower 80%,upper 80%,/)
    expect(files['rows.csv']!.trim().split('\r\n')).toHaveLength(6)
    const packed = read((await exportForecasts(all, 'package')).bytes)
    expect(packed['data/forecasts.csv']).toBe(files['forecasts.csv']!.replace('\uFEFF', ''))
    const { resources } = JSON.parse(packed['datapackage.json']!) as {
      resources: { schema: { fields: { name: string; type: string }[] } }[]
    }
    expect(resources[0]!.schema.fields[3]).toEqual({ name: 'forecast', type: 'number' })
    const sheets = read((await exportForecasts(all, 'xlsx')).bytes)
    expect(sheets['xl/workbook.xml']).toMatch(/forecasts.*rows/s)
    expect(workedSeries(opened.db, [crypto.randomUUID()])).toEqual([])
  })

  it('by another method gives it to the study that opens, and the one that it had stays beside it', () => {
    const method = {
      format: 'elvant-method/1',
      decompose: { by: 'none' },
      forecast: { by: 'smoothing' },
    } as const
    const given = { kind: 'work', source: { kind: 'given', method } } as const
    const [id] = ids
    const methodsOf = () => listStudies(opened.db, id!)!.map((study) => [study.name, study.method])
    const [[, usual]] = methodsOf() as [[string, unknown]]
    work(writeRun(opened.db, { task: given as never, ids: [id!] })!, 1, given as never)
    const before = `before ${new Date().toISOString().slice(0, 10)}`
    expect(methodsOf()).toEqual([
      ['', method],
      [before, usual],
    ])
    // Once more, it has it already.
    work(writeRun(opened.db, { task: given as never, ids: [id!] })!, 1, given as never)
    expect(methodsOf()).toHaveLength(2)
    // What was changed by hand while it was worked on stays.
    const runId = writeRun(opened.db, { task: WORK, ids: [id!] })!
    const anew = { kind: 'work', source: { kind: 'begin' } } as const
    const found = workOn(opened.db, anew, nextLeft(opened.db, runId, 1, new Set()))
    opened.db
      .update(studies)
      .set({ method: usual as never, version: 9 })
      .where(eq(studies.place, 0))
      .run()
    keepWork(opened.db, runId, anew, found)
    expect(methodsOf()[0]).toEqual(['', usual])
    // A method that is refused is taken by nobody.
    const refused = { ...method, decompose: { by: 'stl' }, span: { from: '1990-01' } }
    const task = { kind: 'work', source: { kind: 'given', method: refused } } as never
    work(writeRun(opened.db, { task, ids: [id!] })!, 1, task)
    expect(methodsOf()[0]).toEqual(['', usual])
    expect(rowOf(id!).worked!.attention[0]!.code).toBe('refused')
  })

  it('takes thresholds of its own, which what is worked again for newer values has too', () => {
    const thresholds = { ...USUAL_THRESHOLDS, change: 1 }
    const task = { kind: 'work', thresholds } as const
    work(writeRun(opened.db, { task })!, 20, task)
    const told = ids.filter((one) => rowOf(one).worked!.attention.length > 0)
    expect(told.length).toBeGreaterThan(10)
    expect(lastWork(opened.db)).toEqual(task)
    const kept = { kind: 'keep', name: 'x' } as const
    writeRun(opened.db, { task: kept })
    expect(lastWork(opened.db)).toEqual(task)
  })

  it('holds a value that came against what was forecast of it, and keeps that until another comes', () => {
    const [id] = ids
    work(writeRun(opened.db, { task: WORK, ids: [id!] })!, 1)
    expect(rowOf(id!).worked!.against).toBeNull()
    const { series: first } = ARTICLES[0]!
    const value = 2 * Number(first.values.at(-12))
    const newer = { ...first, values: [...first.values, value] }
    const update = { series: documentFromSeries(newer), source: { file: 'newer.csv' } }
    addVintage(opened.db, id!, update)
    for (let again = 0; again < 2; again++) {
      work(writeRun(opened.db, { task: WORK, ids: [id!] })!, 1)
      const { against } = rowOf(id!).worked!
      expect(against).toMatchObject({ period: '2026-01', actual: value, isWithin: false })
      expect(against!.percent).toBeGreaterThan(60)
    }
    // Its picture shows what is forecast behind it.
    expect(valuesOf(opened.db, [id!], 360)[0]!.ahead).toHaveLength(12)
    expect(valuesOf(opened.db, [id!])[0]).not.toHaveProperty('ahead')
  })

  it('that is stopped was over what it did', () => {
    const runId = writeRun(opened.db, { task: WORK })!
    work(runId, 5)
    setRunState(opened.db, runId, 'ended')
    expect(lastRun(opened.db)).toMatchObject({ state: 'ended', of: 5, left: 0 })
  })

  it('says what there is to look at, and the method that a series waited for is kept', () => {
    work(writeRun(opened.db, { task: WORK })!, 20)
    const peculiar = ids[ARTICLES.findIndex(({ peculiarity }) => peculiarity !== null)]!
    const { worked } = rowOf(peculiar)
    expect(worked!.attention[0]).toMatchObject({ code: 'mistyped' })
    expect(worked!.method).toMatch(/^Ratio to a/)
    const ordinary = rowOf(ids[1]!).worked!
    expect(ordinary.attention).toEqual([])
    expect(ordinary.off).toMatch(/^off by [\d.]+%; .* [\d.]+%$/)
  })

  it('is over some series alone where they are named, and passes over what was deleted', () => {
    const runId = writeRun(opened.db, { task: WORK, ids: ids.slice(0, 3) })!
    actOnSeries(opened.db, { act: 'discard', ids: [ids[1]!] })
    work(runId, 10)
    expect(lastRun(opened.db)!.left).toBe(0)
    expect(ids.slice(0, 4).map((id) => rowOf(id)?.worked !== undefined)).toEqual([
      ...[true, false, true, false],
    ])
    expect(writeRun(opened.db, { task: WORK, ids: [crypto.randomUUID()] })).toBeNull()
  })

  it('takes newer values of what was worked through along, once', () => {
    const runId = writeRun(opened.db, { task: WORK, ids: ids.slice(0, 4) })!
    work(runId, 2)
    expect(workedBefore(opened.db, ids)).toHaveLength(2)
    // One that is done is done once more, one that is still to do once.
    const [waiting] = nextLeft(opened.db, runId, 1, new Set())
    addToRun(opened.db, runId, [workedBefore(opened.db, ids)[0]!, waiting!.seriesId])
    expect(lastRun(opened.db)).toMatchObject({ of: 5, left: 3 })
    work(runId, 10)
    expect(lastRun(opened.db)!.left).toBe(0)
  })

  it('tells how far a series ends before the others, also where it alone is worked through', () => {
    const id = keepSeries(opened.db, [
      {
        series: {
          ...documentFromSeries(ARTICLES[1]!.series),
          values: [...ARTICLES[1]!.series.values.slice(0, 118)],
        },
        source: { file: 'one.csv' },
      },
    ])[0]!
    work(writeRun(opened.db, { task: WORK, ids: [id] })!, 1)
    expect(rowOf(id).worked!.attention[0]!.text).toBe(
      'ends in Oct 2025, 2 months before the others',
    )
  })

  it('says of a series that could not be done why, and goes on without it', () => {
    const runId = writeRun(opened.db, { task: WORK, ids: ids.slice(0, 2) })!
    keepPassedOver(opened.db, runId, ids[1]!, 'This took longer than 30 seconds and was stopped.')
    expect(lastRun(opened.db)!.left).toBe(1)
    expect(rowOf(ids[1]!).worked!.attention[0]!.text).toMatch(/^refused: This took longer/)
  })

  it('keeps a forecast of each under one name', () => {
    work(writeRun(opened.db, { task: WORK })!, 20)
    const task = { kind: 'keep', name: 'December' } as const
    work(writeRun(opened.db, { task })!, 20, task)
    const kept = opened.db.select().from(keptForecasts).all()
    expect(kept.map(({ seriesId }) => seriesId).sort()).toEqual([...ids].sort())
    expect(new Set(kept.map(({ name }) => name))).toEqual(new Set(['December']))
  })

  it('is seen with a note until something new comes', () => {
    const at = ARTICLES.findIndex(({ peculiarity }) => peculiarity !== null)
    const id = ids[at]!
    expect(noteSeen(opened.db, id, { seen: true, note: '' })).toBe(false)
    work(writeRun(opened.db, { task: WORK })!, 20)
    expect(noteSeen(opened.db, id, { seen: true, note: 'asked the branch' })).toBe(true)
    expect(rowOf(id).worked!.seen).toEqual({ note: 'asked the branch' })
    // Worked through again with the same to look at, it stays seen.
    work(writeRun(opened.db, { task: WORK, ids: [id] })!, 1)
    expect(rowOf(id).worked!.seen).toEqual({ note: 'asked the branch' })
    const series = documentFromSeries(ARTICLES[at]!.series)
    const values = series.values.with(100, 10 * series.values[100]!)
    addVintage(opened.db, id, {
      ...{ series: { ...series, values }, source: { file: 'newer.csv' }, vanished: 'keep' },
    })
    work(writeRun(opened.db, { task: WORK, ids: [id] })!, 1)
    expect(rowOf(id).worked!.seen).toBeNull()
    expect(rowOf(id).worked!.attention.length).toBeGreaterThan(1)
  })
})
