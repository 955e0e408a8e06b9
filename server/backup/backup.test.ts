import {
  existsSync,
  lstatSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import fc from 'fast-check'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { analyse } from '../../core/analyse'
import { frozen } from '../../core/kept/kept'
import { causeOf } from '../database/cause'
import {
  closeDatabase,
  database,
  nothingWritten,
  requireDatabasePresent,
  restoreDatabase,
  useDatabase,
  writtenElsewhere,
} from '../database/current'
import { openDatabase } from '../database/open'
import { keptForecasts } from '../database/schema'
import { keepForecast, listKept } from '../kept/keptStore'
import { shelfPage } from '../series/shelfRows'
import { findSeries, toSeries } from '../series/storedSeries'
import { actOnSeries, changeSeries, keepSeries } from '../shelf/shelfStore'
import { findStudy } from '../studies/studyStore'
import { backUp, requireBackup } from './backup'
import { seal, unseal } from './seal'

const MIGRATIONS = 'server/database/migrations'
const named = (name: string) => ({
  series: {
    name,
    unit: 'litres',
    frequency: 'monthly' as const,
    start: '2020-01',
    values: [1, null, 3],
  },
  source: { file: 'a.csv' },
})
const THREE_YEARS = Array.from({ length: 36 }, (_, i) => 100 + 10 * (i % 12) + i)
const restore = (file: string) => {
  requireBackup(file, MIGRATIONS)
  restoreDatabase(file, MIGRATIONS)
}
const names = () => shelfPage(database()).series.map(({ name }) => name)

let folder: string
let path: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'elvant-backup-'))
  path = join(folder, 'elvant.sqlite')
  useDatabase(openDatabase(path, MIGRATIONS))
  keepSeries(database(), [named('Before')])
})
afterEach(() => {
  closeDatabase()
  rmSync(folder, { recursive: true, force: true })
})

describe('a backup', () => {
  it('brings back what was there when it was made, and what it replaced is kept beside', () => {
    const backup = join(folder, 'all.backup')
    backUp(path, backup)
    keepSeries(database(), [named('After')])
    restore(backup)
    expect(names()).toEqual(['Before'])
    const asides = readdirSync(folder).filter((name) => name.includes('.before-restore-'))
    expect(asides).toHaveLength(1)
    keepSeries(database(), [named('Later')])
    closeDatabase()
    useDatabase(openDatabase(path, MIGRATIONS))
    expect(names()).toEqual(['Before', 'Later'])
  })

  it('brings back kept forecasts, which then can be altered as little', () => {
    const years = { ...named('Years'), series: { ...named('Years').series, values: THREE_YEARS } }
    const [id] = keepSeries(database(), [years])
    const now = toSeries(findSeries(database(), id!)!)
    const method = { format: 'elvant-method/1' } as const
    const forecast = frozen(analyse(now, method))
    keepForecast(database(), id!, now, { name: 'Budget', note: 'x', method, forecast })
    const before = listKept(database())
    const backup = join(folder, 'all.backup')
    backUp(path, backup)
    actOnSeries(database(), { act: 'discard', ids: [id!] })
    restore(backup)
    expect(listKept(database())).toEqual(before)
    expect(() => database().update(keptForecasts).set({ note: 'y' }).run()).toThrow('never altered')
  })

  it('is not put in place while a reader holds the log of the database', () => {
    const backup = join(folder, 'all.backup')
    backUp(path, backup)
    keepSeries(database(), [named('After')])
    requireBackup(backup, MIGRATIONS)
    const reader = new Sqlite(path, { readonly: true })
    const rows = reader.prepare('SELECT name FROM series').iterate()
    rows.next()
    keepSeries(database(), [named('In the log')])
    expect(() => restoreDatabase(backup, MIGRATIONS)).toThrow('is reading the database')
    rows.return!()
    reader.close()
    expect(names()).toEqual(['After', 'Before', 'In the log'])
  })

  it('that lacks a column is refused, though it is whole', () => {
    const backup = join(folder, 'all.backup')
    backUp(path, backup)
    unseal(backup)
    const changed = new Sqlite(backup)
    changed.exec('ALTER TABLE series DROP COLUMN notes')
    changed.close()
    seal(backup)
    expect(() => requireBackup(backup, MIGRATIONS)).toThrow(
      'lacks the column "notes" of the table "series"',
    )
  })

  it('behind a symbolic link takes the place of the file, and one lock holds for both names', () => {
    const link = join(folder, 'link.sqlite')
    symlinkSync(path, link)
    expect(() => openDatabase(link, MIGRATIONS)).toThrow('in use')
    const backup = join(folder, 'all.backup')
    backUp(path, backup)
    keepSeries(database(), [named('After')])
    closeDatabase()
    useDatabase(openDatabase(link, MIGRATIONS))
    restore(backup)
    expect(names()).toEqual(['Before'])
    expect(lstatSync(link).isSymbolicLink()).toBe(true)
    closeDatabase()
    useDatabase(openDatabase(path, MIGRATIONS))
    expect(names()).toEqual(['Before'])
  })

  it('a database that was moved away is noticed before a write is answered', () => {
    requireDatabasePresent()
    renameSync(path, `${path}.moved`)
    try {
      requireDatabasePresent()
      expect.unreachable()
    } catch (error) {
      expect(causeOf(error)).toMatch(/^The file of the database was deleted, moved or replaced/)
    }
  })

  it('gives no version again that was given out before it came back', () => {
    const { id, studyId } = shelfPage(database()).series[0]!
    const backup = join(folder, 'all.backup')
    backUp(path, backup)
    for (const name of ['One', 'Two', 'Three']) changeSeries(database(), id, { name })
    const before = findStudy(database(), studyId)!.version
    restore(backup)
    expect(findStudy(database(), studyId)!.version).toBeGreaterThan(before)
  })

  it('with any one bit changed is refused', () => {
    const backup = join(folder, 'all.backup')
    backUp(path, backup)
    const bytes = readFileSync(backup)
    const file = join(folder, 'flipped.backup')
    fc.assert(
      fc.property(fc.nat(bytes.length - 1), fc.nat(7), (at, bit) => {
        const flipped = Buffer.from(bytes)
        flipped[at]! ^= 1 << bit
        writeFileSync(file, flipped)
        expect(() => requireBackup(file, MIGRATIONS)).toThrow(/nothing was changed/)
      }),
      { numRuns: 60 },
    )
  })

  it('is never written over another file', () => {
    const there = join(folder, 'there.txt')
    writeFileSync(there, 'mine')
    expect(() => backUp(path, there)).toThrow('there already')
    expect(readFileSync(there, 'utf8')).toBe('mine')
  })

  it.each<[what: string, make: (file: string) => void, because: string]>([
    ['of text', (file) => writeFileSync(file, 'hello'), 'no backup'],
    ['of nothing', (file) => writeFileSync(file, ''), 'no backup'],
    [
      'cut short',
      (file) => {
        backUp(path, file)
        writeFileSync(file, readFileSync(file).subarray(0, 9000))
      },
      'only a part',
    ],
    [
      'with bytes changed in the middle',
      (file) => {
        backUp(path, file)
        const bytes = readFileSync(file)
        writeFileSync(file, bytes.fill(0xff, 4096, bytes.length - 512))
      },
      'damaged',
    ],
    [
      'of another program',
      (file) => {
        const other = new Sqlite(file)
        other.exec('CREATE TABLE notes (text)')
        other.close()
        seal(file)
      },
      'not one of Elvant',
    ],
    [
      'of a newer version',
      (file) => {
        backUp(path, file)
        unseal(file)
        const newer = new Sqlite(file)
        newer.exec(
          `INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('x', 9999999999999)`,
        )
        newer.close()
        seal(file)
      },
      'newer version',
    ],
  ])('%s is refused and harms nothing', (_, make, because) => {
    const file = join(folder, 'bad.backup')
    make(file)
    expect(() => restore(file)).toThrow(because)
    expect(names()).toEqual(['Before'])
    expect(existsSync(path)).toBe(true)
  })
})

describe('what another thread writes', () => {
  it('is waited for before a backup takes the place of the database', async () => {
    const copy = join(folder, 'copy.backup')
    backUp(path, copy)
    let end = () => {}
    const writing = writtenElsewhere(() => new Promise<void>((done) => (end = done)))
    let isQuiet = false
    const quiet = nothingWritten().then(() => (isQuiet = true))
    await new Promise((resolve) => setTimeout(resolve, 20))
    expect(isQuiet).toBe(false)
    end()
    await writing
    await quiet
    restore(copy)
    expect(names()).toEqual(['Before'])
  })

  it('goes into no other file that was put under the name', async () => {
    renameSync(path, `${path}.moved`)
    const write = (): Promise<never> => Promise.reject(new Error('must not be begun'))
    const cause = await writtenElsewhere(write).catch(causeOf)
    expect(cause).toMatch(/deleted, moved or replaced/)
    openDatabase(join(folder, 'other.sqlite'), MIGRATIONS).close()
    renameSync(join(folder, 'other.sqlite'), path)
    expect(await writtenElsewhere(write).catch(causeOf)).toMatch(/deleted, moved or replaced/)
  })
})
