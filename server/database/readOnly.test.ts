import { chmodSync, existsSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { backUp } from '../backup/backup'
import { shelfPage } from '../series/shelfRows'
import { keepSeries } from '../shelf/shelfStore'
import { causeOf } from './cause'
import { openDatabase } from './open'
import { openAsCanBe } from './openToRead'

const MIGRATIONS = 'server/database/migrations'
/** Whom the file system refuses what an administrator may do. */
const NOBODY = 65_534
const isAdministrator = process.getuid?.() === 0

let folder: string
let path: string
/** What a program that was killed never closed. */
let left: Sqlite.Database | undefined
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'elvant-read-only-'))
  path = join(folder, 'elvant.sqlite')
})
afterEach(() => {
  left?.close()
  left = undefined
  chmodSync(folder, 0o700)
  rmSync(folder, { recursive: true, force: true })
})

const named = (name: string) => ({
  series: { name, unit: '', frequency: 'monthly' as const, start: '2020-01', values: [1, 2] },
  source: { file: 'a.csv' },
})

/** As somebody who has to obey the modes of files. */
function asNobody<T>(act: () => T): T {
  if (!isAdministrator) return act()
  process.seteuid!(NOBODY)
  try {
    return act()
  } finally {
    process.seteuid!(0)
  }
}

/** A database with a series, whose last name is in its log only when its program was killed. */
function keptBefore({ killed = false } = {}): void {
  const { db, close } = openDatabase(path, MIGRATIONS)
  keepSeries(db, [named('In the file')])
  close()
  if (!killed) return
  left = new Sqlite(path)
  left.exec("UPDATE series SET name = 'In the log'")
}

describe('a database that cannot be written to', () => {
  const modes = (file: number, own: number) => {
    for (const name of readdirSync(folder)) chmodSync(join(folder, name), file)
    chmodSync(folder, own)
  }
  const namesOf = ({ db }: Pick<ReturnType<typeof openAsCanBe>, 'db'>) =>
    shelfPage(db).series.map(({ name }) => name)

  it.each([
    ['whose file is for reading only', 0o444, 0o777],
    ['whose folder is for reading only', 0o666, 0o555],
    ['of which both are', 0o444, 0o555],
  ])('%s is read, and says why nothing is kept', (_what, file, own) => {
    keptBefore()
    modes(file, own)
    asNobody(() => {
      const opened = openAsCanBe(path, MIGRATIONS)
      expect(opened.readOnly).toMatchObject({
        file: path,
        says: 'The database cannot be written to',
      })
      expect(namesOf(opened)).toEqual(['In the file'])
      expect(refusal(() => keepSeries(opened.db, [named('New')]))).toMatch(/nothing was changed/)
      const copy = join(tmpdir(), `elvant-read-only-${process.pid}.backup`)
      rmSync(copy, { force: true })
      backUp(opened.path, copy)
      expect(statSync(copy).size).toBeGreaterThan(10_000)
      rmSync(copy)
      opened.close()
    })
  })

  it('is read with what is in its log, when that cannot be written either', () => {
    keptBefore({ killed: true })
    // Whoever wrote it has ended without closing it.
    expect(existsSync(`${path}-wal`)).toBe(true)
    modes(0o444, 0o555)
    asNobody(() => {
      const opened = openAsCanBe(path, MIGRATIONS)
      expect(namesOf(opened)).toEqual(['In the log'])
      opened.close()
    })
    expect(readdirSync(folder)).toContain('elvant.sqlite-wal')
  })

  it('is read when only its log and the index of that are for reading', () => {
    keptBefore({ killed: true })
    modes(0o666, 0o777)
    for (const end of ['-wal', '-shm']) chmodSync(path + end, 0o444)
    asNobody(() => {
      const opened = openAsCanBe(path, MIGRATIONS)
      expect(opened.readOnly).not.toBeNull()
      expect(namesOf(opened)).toEqual(['In the log'])
      opened.close()
    })
  })

  it('is told of with its file when it cannot be read either, or is none of ours', () => {
    keptBefore()
    modes(0o000, 0o555)
    expect(asNobody(() => messageOf(() => openAsCanBe(path, MIGRATIONS)))).toContain(path)
    modes(0o666, 0o777)
    rmSync(path)
    new Sqlite(path).exec('CREATE TABLE other (x)').close()
    expect(messageOf(() => openAsCanBe(path, MIGRATIONS))).toMatch(/of another program/)
  })
})

function refusal(act: () => unknown): string | null {
  try {
    act()
    return null
  } catch (error) {
    return causeOf(error)
  }
}

function messageOf(act: () => unknown): string {
  try {
    act()
    return ''
  } catch (error) {
    return (error as Error).message
  }
}
