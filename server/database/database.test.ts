import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { shelfPage } from '../series/shelfRows'
import { actOnSeries, changeSeries, keepSeries, listTrash } from '../shelf/shelfStore'
import { summaryOf } from '../series/valuesSummary'
import { valuesOf } from '../series/valuesOf'
import { addVintage } from '../shelf/addVintage'
import { listVintages } from '../series/vintageStore'
import { findSeries } from '../series/storedSeries'
import { findFile, keepFile } from '../files/fileStore'
import { MOST_STEPS } from '../../shared/api/desk'
import { findContest, keepContest } from '../studies/contestStore'
import { findDesk, keepView } from '../studies/deskStore'
import { findStudy, saveStudy } from '../studies/studyStore'
import { keepDemo } from '../shelf/demo'
import { causeOf } from './cause'
import { clearLeftovers } from './leftovers'
import { openDatabase } from './open'
import { whenFree } from './whenFree'
import { withWriter } from './writer'

const MIGRATIONS = 'server/database/migrations'
let folder: string
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'elvant-database-'))))
afterEach(() => rmSync(folder, { recursive: true, force: true }))

const incoming = {
  series: {
    name: 'Primer',
    unit: 'litres',
    frequency: 'monthly' as const,
    start: '2020-01',
    values: [1, null, 3.25],
  },
  source: { file: 'primer.csv', column: 2 },
}

describe('openDatabase', () => {
  it('makes the folder and the tables, and says that it is new only once', () => {
    const path = join(folder, 'deep', 'elvant.sqlite')
    const first = openDatabase(path, MIGRATIONS)
    expect(first.isNew).toBe(true)
    first.close()
    const second = openDatabase(path, MIGRATIONS)
    expect(second.isNew).toBe(false)
    second.close()
    expect(readdirSync(join(folder, 'deep')).sort()).toEqual([
      'elvant.sqlite',
      'elvant.sqlite.lock',
    ])
  })

  it('puts every answered write on disk, and keeps references whole', () => {
    const path = join(folder, 'elvant.sqlite')
    const opened = openDatabase(path, MIGRATIONS)
    const pragma = (name: string) => opened.db.get<Record<string, unknown>>(`PRAGMA ${name}`)
    expect(pragma('journal_mode')).toEqual({ journal_mode: 'wal' })
    expect(pragma('synchronous')).toEqual({ synchronous: 2 })
    expect(pragma('foreign_keys')).toEqual({ foreign_keys: 1 })
    opened.close()
  })

  it('says in words what is wrong with a file that is no database', () => {
    const path = join(folder, 'elvant.sqlite')
    writeFileSync(path, 'this is not a database, but long enough to be looked at as one')
    expect(() => openDatabase(path, MIGRATIONS)).toThrow(/cannot be opened.*ELVANT_DATA/)
    expect(readFileSync(path, 'utf8')).toContain('this is not')
  })
})

describe('a disk that takes nothing', () => {
  const large = { ...incoming, series: { ...incoming.series, values: Array(15_000).fill(1.5) } }
  const refusal = (write: () => unknown) => {
    try {
      write()
    } catch (error) {
      return causeOf(error)
    }
    return undefined
  }
  it('is told of by its cause, nothing is lost, and it goes on when there is room', () => {
    const { db, close } = openDatabase(join(folder, 'elvant.sqlite'), MIGRATIONS)
    keepSeries(db, [incoming])
    const { pages } = db.get<{ pages: number }>('SELECT page_count AS pages FROM pragma_page_count')
    db.run(`PRAGMA max_page_count = ${pages + 2}`)
    const full = 'The disk is full: nothing was changed. Make room and try again.'
    expect(refusal(() => keepSeries(db, [incoming, large]))).toBe(full)
    expect(refusal(() => keepFile(db, 'a.csv', Buffer.alloc(100_000)))).toBe(full)
    expect(shelfPage(db).series).toHaveLength(1)
    db.run('PRAGMA max_page_count = 100000')
    keepSeries(db, [large])
    expect(shelfPage(db).series).toHaveLength(2)
    close()
  })

  it('is told of too where the file may only be read', () => {
    const { db, close } = openDatabase(join(folder, 'elvant.sqlite'), MIGRATIONS)
    db.run('PRAGMA query_only = ON')
    expect(refusal(() => keepSeries(db, [incoming]))).toMatch(/cannot be written to: nothing was/)
    db.run('PRAGMA query_only = OFF')
    keepSeries(db, [incoming])
    expect(causeOf(new Error('another'))).toBeNull()
    close()
  })
})

describe('one program, one file', () => {
  it('a second one is refused at once while the first is open, and not after it', () => {
    const path = join(folder, 'elvant.sqlite')
    const first = openDatabase(path, MIGRATIONS)
    const started = Date.now()
    expect(() => openDatabase(path, MIGRATIONS)).toThrow(/in use by an Elvant that is running/)
    expect(Date.now() - started).toBeLessThan(1000)
    first.close()
    openDatabase(path, MIGRATIONS).close()
  })

  it('a database of another program is left alone', () => {
    const path = join(folder, 'other.sqlite')
    const other = new Sqlite(path)
    other.exec('CREATE TABLE notes (text)')
    other.pragma('application_id = 42')
    other.close()
    const before = readFileSync(path)
    expect(() => openDatabase(path, MIGRATIONS)).toThrow(/of another program/)
    expect(readFileSync(path).equals(before)).toBe(true)
    // The refusal lets go of it.
    expect(() => openDatabase(path, MIGRATIONS)).toThrow(/of another program/)
  })

  it('says in its head whose it is', () => {
    const path = join(folder, 'elvant.sqlite')
    openDatabase(path, MIGRATIONS).close()
    expect(readFileSync(path).subarray(68, 72).toString()).toBe('ELVT')
  })

  it('what a killed program left on its way is cleared away, and nothing else', () => {
    const path = join(folder, 'elvant.sqlite')
    const id = '0b0e5c1c-2f0f-4b7e-9a55-0a7c8f3b1d11'
    const kept = ['elvant.sqlite', 'elvant.sqlite.before-x', 'my.backup', 'elvant.sqlite.backup']
    for (const name of [...kept, `elvant.sqlite.${id}.upload`, `elvant.sqlite.${id}.backup`]) {
      writeFileSync(join(folder, name), '')
    }
    clearLeftovers(path)
    expect(readdirSync(folder).sort()).toEqual([...kept].sort())
  })
})

describe('the demo', () => {
  it('is brought in whole or not at all, once', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    const half = join(folder, 'half')
    mkdirSync(half)
    cpSync('demo/files/primer.csv', join(half, 'primer.csv'))
    mkdirSync(join(half, 'z-unreadable.csv'))
    expect(() => keepDemo({ db }, half, 'demo/lists')).toThrow()
    expect(shelfPage(db).series).toEqual([])
    keepDemo({ db }, 'demo/files', 'demo/lists')
    const whole = shelfPage(db).series.length
    expect(whole).toBeGreaterThan(5)
    keepDemo({ db }, 'demo/files', 'demo/lists')
    expect(shelfPage(db).series).toHaveLength(whole)
    close()
  })
})

describe('migrations', () => {
  /** The first migrations only, as an older version had them. */
  function olderMigrations(count: number): string {
    const older = join(folder, 'older')
    mkdirSync(join(older, 'meta'), { recursive: true })
    const journal = JSON.parse(readFileSync(`${MIGRATIONS}/meta/_journal.json`, 'utf8')) as {
      entries: { tag: string }[]
    }
    journal.entries = journal.entries.slice(0, count)
    for (const { tag } of journal.entries)
      cpSync(`${MIGRATIONS}/${tag}.sql`, join(older, `${tag}.sql`))
    writeFileSync(join(older, 'meta', '_journal.json'), JSON.stringify(journal))
    return older
  }

  /** A database of the first version, with one series in it. */
  function keptBefore(path: string): void {
    openDatabase(path, olderMigrations(1)).close()
    const sqlite = new Sqlite(path)
    sqlite.exec(`
      INSERT INTO series (id, name, unit, frequency, seasons, year_start, created_at, updated_at)
        VALUES ('1', 'Primer', 'litres', 'quarterly', 4, 1, 0, 0);
      INSERT INTO vintages (id, series_id, start, "values", source, created_at)
        VALUES ('2', '1', '2020-Q1', '[1,2,3]', '{"file":"a.csv"}', 0);
      INSERT INTO studies (id, series_id, method, version, created_at, updated_at)
        VALUES ('3', '1', '{"format":"elvant-method/1"}', 1, 0, 0);
    `)
    sqlite.close()
  }

  it('copy the database before they change it', () => {
    const path = join(folder, 'elvant.sqlite')
    keptBefore(path)
    const newer = openDatabase(path, MIGRATIONS)
    expect(shelfPage(newer.db).series).toHaveLength(1)
    newer.close()
    const copies = readdirSync(folder).filter((name) => name.includes('.before-'))
    expect(copies).toHaveLength(1)
    const copy = new Sqlite(join(folder, copies[0]!), { readonly: true })
    expect(copy.prepare('SELECT name FROM series').pluck().all()).toEqual(['Primer'])
    copy.close()
  })

  it('say of what was kept before what the shelf says of what is kept now, to the last digit', () => {
    const path = join(folder, 'elvant.sqlite')
    const lists = [
      [1, 2, 3],
      [null, null],
      [null, 0.1, 3, 123456.78901234567, 5e-324, null, null],
      [-0.30000000000000004, 1, 2, 3, 1.7976931348623157e308],
      [null, 1, 2, 3, 4],
    ]
    openDatabase(path, olderMigrations(1)).close()
    const sqlite = new Sqlite(path)
    lists.forEach((values, i) => {
      sqlite.exec(`
        INSERT INTO series (id, name, unit, frequency, seasons, year_start, created_at, updated_at)
          VALUES ('s${i}', 'Series ${i}', '', 'quarterly', 4, 1, 0, 0);
        INSERT INTO vintages (id, series_id, start, "values", source, created_at)
          VALUES ('v${i}', 's${i}', '2020-Q1', '${JSON.stringify(values)}', '{"file":"a.csv"}', 0);
        INSERT INTO studies (id, series_id, method, version, created_at, updated_at)
          VALUES ('t${i}', 's${i}', '{"format":"elvant-method/1"}', 1, 0, 0);
      `)
    })
    sqlite.close()
    const { db, close } = openDatabase(path, MIGRATIONS)
    for (const [i, values] of lists.entries()) {
      expect(findSeries(db, `s${i}`)!.vintage.summary).toEqual(summaryOf(values, 4))
    }
    expect(shelfPage(db).series.map(({ end }) => end)).toEqual([
      ...['2020-Q3', '2020-Q2', '2021-Q3', '2021-Q1', '2021-Q1'],
    ])
    close()
  })

  it('that fail leave the database as it was', () => {
    const path = join(folder, 'elvant.sqlite')
    const broken = olderMigrations(2)
    keptBefore(path)
    const file = readdirSync(broken).find((name) => name.startsWith('0001'))!
    writeFileSync(
      join(broken, file),
      'CREATE TABLE half (id text);\n--> statement-breakpoint\nCREATE NONSENSE;',
    )
    const journal = readFileSync(`${MIGRATIONS}/meta/_journal.json`, 'utf8')
    writeFileSync(join(broken, 'meta', '_journal.json'), journal)
    cpSync(MIGRATIONS, broken, { recursive: true, filter: (name) => !name.includes('0001') })
    expect(() => openDatabase(path, broken)).toThrow()
    const after = new Sqlite(path, { readonly: true })
    const tables = after
      .prepare("SELECT name FROM sqlite_master WHERE type = 'table'")
      .pluck()
      .all()
    expect(tables).toContain('series')
    expect(tables).not.toContain('half')
    after.close()
  })

  it('of a newer version are not written over', () => {
    const path = join(folder, 'elvant.sqlite')
    openDatabase(path, MIGRATIONS).close()
    expect(() => openDatabase(path, olderMigrations(1))).toThrow(/newer version/)
  })
})

describe('a database that another program holds', () => {
  it('is waited for beside the thread, and told of when it is held too long', async () => {
    const path = join(folder, 'elvant.sqlite')
    const { db, close } = openDatabase(path, MIGRATIONS)
    const other = new Sqlite(path)
    other.exec('BEGIN IMMEDIATE')
    let ticks = 0
    const ticking = setInterval(() => ticks++, 5)
    const refused = await whenFree(() => keepSeries(db, [incoming]), 100).catch(causeOf)
    expect(refused).toMatch(/^Another program holds the database: nothing was changed/)
    // Waited for on the thread itself, none would have come; how many do is the machine's affair.
    expect(ticks).toBeGreaterThan(0)
    setTimeout(() => other.exec('ROLLBACK'), 50)
    await whenFree(() => keepSeries(db, [incoming]))
    clearInterval(ticking)
    expect(shelfPage(db).series).toHaveLength(1)
    other.close()
    close()
  })

  it('is written to by a thread of its own, all or nothing', () => {
    const path = join(folder, 'elvant.sqlite')
    const { db, close } = openDatabase(path, MIGRATIONS)
    const [id] = withWriter(path, (own) => keepSeries(own, [incoming])) as [string]
    expect(shelfPage(db).series.map((row) => row.id)).toEqual([id])
    const broken = () =>
      withWriter(path, (own) => {
        actOnSeries(own, { act: 'discard', ids: [id] })
        throw new Error('in the middle')
      })
    expect(broken).toThrow('in the middle')
    expect(shelfPage(db).series).toHaveLength(1)
    close()
  })
})

describe('the store', () => {
  it('never changes original values, not even by hand', () => {
    const path = join(folder, 'elvant.sqlite')
    const opened = openDatabase(path, MIGRATIONS)
    keepSeries(opened.db, [incoming])
    opened.close()
    const sqlite = new Sqlite(path)
    expect(() => sqlite.exec('UPDATE vintages SET "values" = \'[]\'')).toThrow(/never change/)
    sqlite.close()
  })

  it('keeps all series of a file or none', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    const wrong = { ...incoming, series: { ...incoming.series, start: '2020-Q1' } }
    expect(() => keepSeries(db, [incoming, wrong])).toThrow(/is not a period/)
    expect(shelfPage(db).series).toEqual([])
    close()
  })

  it('shows a series with its last value and that of the year before', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    const values = [...Array.from({ length: 14 }, (_, i) => 10 * i), null]
    keepSeries(db, [{ ...incoming, series: { ...incoming.series, values } }])
    expect(shelfPage(db).series[0]).toMatchObject({
      periods: 15,
      missing: 1,
      end: '2021-03',
      last: { period: '2021-02', value: 130, yearBefore: 10 },
    })
    close()
  })

  it('raises the version of a study with every change of what it shows', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    const [id] = keepSeries(db, [incoming]) as [string]
    const { studyId } = shelfPage(db).series[0]!
    const version = () => findStudy(db, studyId)!.version
    const seen = [version()]
    const changes = [
      () => changeSeries(db, id, { name: 'Primer, white' }),
      () => actOnSeries(db, { act: 'group', ids: [id], group: 'Primers' }),
      () => addVintage(db, id, incoming),
    ]
    for (const change of changes) {
      change()
      seen.push(version())
    }
    expect(seen).toEqual([1, 2, 3, 4])
    const stale = saveStudy(db, studyId, {
      method: { format: 'elvant-method/1' },
      about: {
        name: 'Primer',
        unit: 'litres',
        noun: '',
        quantity: 'flow' as const,
        group: '',
        notes: '',
      },
      version: 1,
    })
    expect(stale.kind).toBe('stale')
    expect(findStudy(db, studyId)!.about).toMatchObject({ name: 'Primer, white', group: 'Primers' })
    close()
  })

  it('brought up to date keeps what a shorter file no longer has, unless it is to be dropped', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    const [id] = keepSeries(db, [incoming]) as [string]
    const shorter = {
      series: { ...incoming.series, start: '2020-03', values: [4, 5] },
      source: { file: 'newer.csv' },
    }
    addVintage(db, id, shorter)
    expect(listVintages(db, id)![0]).toMatchObject({
      ...{ start: '2020-01', values: [1, null, 4, 5] },
      source: { file: 'newer.csv', carriedOver: 1 },
    })
    addVintage(db, id, { ...shorter, vanished: 'drop' })
    expect(listVintages(db, id)![0]).toMatchObject({ start: '2020-03', values: [4, 5] })
    expect(listVintages(db, id)).toHaveLength(3)
    close()
  })

  it('goes back to values from before with a save, and to none that the series never had', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    const [id, other] = keepSeries(db, [incoming, incoming]) as [string, string]
    const { studyId } = shelfPage(db).series.find((row) => row.id === id)!
    const newer = { ...incoming, series: { ...incoming.series, values: [1, 2, 3, 4] } }
    addVintage(db, id, newer)
    const method = { format: 'elvant-method/1' } as const
    const [, first] = listVintages(db, id)!
    // What the study was before it was brought up to date is a step that undo has.
    expect(findDesk(db, studyId)).toMatchObject({
      steps: [{ n: 0, content: { vintageId: first!.id } }],
      at: 0,
    })
    const { version } = findStudy(db, studyId)!
    saveStudy(db, studyId, { method, vintageId: first!.id, version })
    expect(findStudy(db, studyId)).toMatchObject({ vintageId: first!.id, version: version + 1 })
    expect(valuesOf(db, [id])).toEqual([{ id, values: incoming.series.values }])
    const foreign = listVintages(db, other)![0]!.id
    expect(() =>
      saveStudy(db, studyId, { method, vintageId: foreign, version: version + 1 }),
    ).toThrow('never had these values')
    expect(findStudy(db, studyId)!.version).toBe(version + 1)
    close()
  })

  it('keeps what the seasons of a series are called', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    const series = {
      ...incoming.series,
      frequency: 'quarterly' as const,
      start: '2020-Q1',
      seasonNames: ['Spring', 'Summer', 'Autumn', 'Winter'],
    }
    keepSeries(db, [{ ...incoming, series }])
    expect(findStudy(db, shelfPage(db).series[0]!.studyId)!.series).toEqual(series)
    expect(shelfPage(db).series[0]!.seasonNames).toEqual(series.seasonNames)
    const wrong = { ...series, seasonNames: ['Spring'] }
    expect(() => keepSeries(db, [{ ...incoming, series: wrong }])).toThrow('as many names')
    close()
  })

  it('keeps the steps of undo and how the Bench was left, and lets them go with the series', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    const [id] = keepSeries(db, [incoming]) as [string]
    const { studyId } = shelfPage(db).series[0]!
    const { about, vintageId } = findStudy(db, studyId)!
    const step = (n: number, horizon: number) => ({
      n,
      content: {
        ...{ about, vintageId, adjustments: [] },
        method: { format: 'elvant-method/1' as const, forecast: { horizon } },
      },
    })
    let version = 1
    const save = (steps: ReturnType<typeof step>[], at: number) =>
      saveStudy(db, studyId, {
        method: { format: 'elvant-method/1' },
        trail: { steps, at },
        version: version++,
      })
    save([step(0, 1), step(1, 2), step(2, 3)], 2)
    save([], 0)
    expect(findDesk(db, studyId)).toMatchObject({ steps: [{}, {}, {}], at: 0, view: null })
    save([step(1, 9)], 1)
    expect(findDesk(db, studyId)).toEqual({ steps: [step(0, 1), step(1, 9)], at: 1, view: null })
    save([step(MOST_STEPS + 1, 4)], MOST_STEPS + 1)
    expect(findDesk(db, studyId)!.steps).toEqual([step(MOST_STEPS + 1, 4)])
    const view = {
      ...{ stage: 'trend' as const, folded: true, window: { from: 0.5, to: 3.5 } },
      ...{ selected: null, averages: [{ kind: 'spencer' as const }], pins: [] },
    }
    expect(keepView(db, studyId, view)).toBe(true)
    expect(findDesk(db, studyId)!.view).toEqual(view)
    actOnSeries(db, { act: 'discard', ids: [id] })
    expect(actOnSeries(db, { act: 'erase', ids: [id] })).toBe(1)
    expect(findDesk(db, studyId)).toBeUndefined()
    close()
  })

  it('deletes for good what lies in the trash alone, with the file that nothing else came from', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    const fileId = keepFile(db, 'primer.csv', Buffer.from('x'))
    const ids = keepSeries(db, [{ ...incoming, fileId }, incoming])
    const [first] = ids as [string]
    expect(actOnSeries(db, { act: 'erase', ids })).toBe(0)
    actOnSeries(db, { act: 'discard', ids: [first] })
    expect(actOnSeries(db, { act: 'erase', ids })).toBe(1)
    expect(listTrash(db)).toEqual([])
    expect(shelfPage(db).series).toHaveLength(1)
    expect(findFile(db, fileId)).toBeUndefined()
    close()
  })

  it('writes nothing of a study whose series lies in the trash', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    const [id] = keepSeries(db, [incoming]) as [string]
    const { studyId } = shelfPage(db).series[0]!
    actOnSeries(db, { act: 'discard', ids: [id] })
    const method = { format: 'elvant-method/1', missing: 'zero' } as const
    expect(saveStudy(db, studyId, { method, version: 1 }).kind).toBe('gone')
    actOnSeries(db, { act: 'restore', ids: [id] })
    expect(findStudy(db, studyId)).toMatchObject({ version: 1 })
    expect(findStudy(db, studyId)!.method.missing).toBeUndefined()
    close()
  })

  it('has no study of a series in the trash', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    const [id] = keepSeries(db, [incoming])
    const { studyId } = shelfPage(db).series[0]!
    expect(findStudy(db, studyId)?.series).toEqual(incoming.series)
    expect(actOnSeries(db, { act: 'discard', ids: [id!] })).toBe(1)
    expect(findStudy(db, studyId)).toBeUndefined()
    expect(findSeries(db, id!)).toBeUndefined()
    expect(actOnSeries(db, { act: 'discard', ids: [id!] })).toBe(0)
    expect(listTrash(db).map(({ name }) => name)).toEqual(['Primer'])
    expect(actOnSeries(db, { act: 'restore', ids: [id!] })).toBe(1)
    expect(findStudy(db, studyId)).toBeDefined()
    close()
  })

  it('keeps adjustments beside the values, and refuses one that does not fit', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    keepSeries(db, [incoming])
    const { studyId } = shelfPage(db).series[0]!
    const save = (version: number, period: string) =>
      saveStudy(db, studyId, {
        method: { format: 'elvant-method/1' },
        adjustments: [{ period, value: null, reason: 'strike' }],
        version,
      })
    expect(() => save(1, '1999-01')).toThrow('outside')
    expect(findStudy(db, studyId)).toMatchObject({ version: 1 })
    expect(save(1, incoming.series.start).kind).toBe('saved')
    expect(findStudy(db, studyId)!.series).toMatchObject({
      values: incoming.series.values,
      adjustments: [{ period: incoming.series.start, value: null, reason: 'strike' }],
    })
    close()
  })

  it('takes a newer vintage over an older one, which stays', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    const [id] = keepSeries(db, [incoming])
    const { studyId } = shelfPage(db).series[0]!
    const values = [...incoming.series.values.with(0, 99), 7]
    const newer = { ...incoming, series: { ...incoming.series, values } }
    expect(addVintage(db, id!, newer)).toBe(true)
    expect(findStudy(db, studyId)).toMatchObject({ version: 2, series: { values } })
    expect(listVintages(db, id!)!.map((vintage) => vintage.values)).toEqual([
      values,
      incoming.series.values,
    ])
    const yearly = {
      ...newer,
      series: { ...newer.series, frequency: 'yearly', start: '2020' } as const,
    }
    expect(() => addVintage(db, id!, yearly)).toThrow('the new values are yearly')
    close()
  })

  it('lets one of two saves from the same version through, and hands the other the stored copy', () => {
    const { db, close } = openDatabase(':memory:', MIGRATIONS)
    keepSeries(db, [incoming])
    const { studyId } = shelfPage(db).series[0]!
    const method = (horizon: number) => ({
      format: 'elvant-method/1' as const,
      forecast: { horizon },
    })
    expect(saveStudy(db, studyId, { method: method(6), version: 1 }).kind).toBe('saved')
    const second = saveStudy(db, studyId, { method: method(9), version: 1 })
    expect(second).toMatchObject({ kind: 'stale', current: { version: 2, method: method(6) } })
    expect(saveStudy(db, studyId, { method: method(9), version: 2 })).toMatchObject({
      kind: 'saved',
      study: { version: 3, method: method(9) },
    })
    close()
  })
})

describe('a contest', () => {
  it('stays with its study, the last one alone, and of no study there is none', () => {
    const { db, close } = openDatabase(join(folder, 'elvant.sqlite'), MIGRATIONS)
    keepSeries(db, [incoming])
    const { studyId } = shelfPage(db).series[0]!
    expect(findContest(db, studyId)).toBeNull()
    const contest = {
      format: 'elvant-contest/1' as const,
      series: 'Primer',
      origins: { first: '', last: '', count: 0, horizon: 12, step: 1 },
      rows: [],
      nearest: null,
      proposed: null,
      plainer: null,
    }
    expect(keepContest(db, studyId, { of: 'a'.repeat(64), contest })).toBe(true)
    expect(keepContest(db, studyId, { of: 'b'.repeat(64), contest })).toBe(true)
    expect(findContest(db, studyId)).toEqual({ of: 'b'.repeat(64), contest })
    expect(keepContest(db, 'no study', { of: 'a'.repeat(64), contest })).toBe(false)
    expect(findContest(db, 'no study')).toBeUndefined()
    close()
  })
})
