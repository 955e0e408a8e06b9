import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { closeDatabase, database, restoreDatabase, useDatabase } from '../database/current'
import { openDatabase } from '../database/open'
import { keepSeries, listShelf } from '../series/seriesStore'
import { backUp } from './backup'

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
const names = () => listShelf(database()).map(({ name }) => name)

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
    restoreDatabase(backup, MIGRATIONS)
    expect(names()).toEqual(['Before'])
    keepSeries(database(), [named('Later')])
    closeDatabase()
    useDatabase(openDatabase(path, MIGRATIONS))
    expect(names()).toEqual(['Before', 'Later'])
  })

  it('is never written over another file', () => {
    const there = join(folder, 'there.txt')
    writeFileSync(there, 'mine')
    expect(() => backUp(path, there)).toThrow('there already')
    expect(readFileSync(there, 'utf8')).toBe('mine')
  })

  it.each<[what: string, make: (file: string) => void, because: string]>([
    ['of text', (file) => writeFileSync(file, 'hello'), 'no backup'],
    ['of nothing', (file) => writeFileSync(file, ''), 'not one of Elvant'],
    [
      'cut short',
      (file) => {
        backUp(path, file)
        writeFileSync(file, readFileSync(file).subarray(0, 9000))
      },
      'damaged',
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
      },
      'not one of Elvant',
    ],
    [
      'of a newer version',
      (file) => {
        backUp(path, file)
        const newer = new Sqlite(file)
        newer.exec(
          `INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('x', 9999999999999)`,
        )
        newer.close()
      },
      'newer version',
    ],
  ])('%s is refused and harms nothing', (_, make, because) => {
    const file = join(folder, 'bad.backup')
    make(file)
    expect(() => restoreDatabase(file, MIGRATIONS)).toThrow(because)
    expect(names()).toEqual(['Before'])
    expect(existsSync(path)).toBe(true)
  })
})
