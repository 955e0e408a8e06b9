import { chmodSync, copyFileSync, existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { drizzle } from 'drizzle-orm/better-sqlite3'
import { isUpToDate } from './bringUpToDate'
import { writeFaultOf } from './cause'
import { openDatabase, type OpenDatabase, type ReadOnly } from './open'
import { requireOwn } from './ownFile'
import * as schema from './schema'

/** Folders that a copy can be read from where the database itself cannot: one of them is often on another disk, or in memory. */
const COPY_FOLDERS = [tmpdir(), '/dev/shm']

/**
 * Opens a database as well as it can be: one that cannot be written to is read, so that what is in it can be seen, exported and backed up.
 *
 * @param path of the file
 * @param migrations folder of the migrations
 * @throws Error in words as {@link openDatabase} does, and where it cannot be read either
 */
export function openAsCanBe(path: string, migrations: string): OpenDatabase {
  try {
    return openDatabase(path, migrations)
  } catch (error) {
    const fault = writeFaultOf(error)
    if (!fault || !existsSync(path)) throw error
    return openToRead(path, migrations, { file: path, ...fault })
  }
}

function openToRead(path: string, migrations: string, readOnly: ReadOnly): OpenDatabase {
  try {
    return reading(path, migrations, readOnly, () => {})
  } catch {
    // The log of the database would have to be written, or its tables brought up to date: a copy can have both.
  }
  for (const folder of COPY_FOLDERS) {
    try {
      return readingCopy(path, migrations, readOnly, folder)
    } catch {
      // There is no room, or no such folder, there either.
    }
  }
  throw new Error(
    `${readOnly.says}, and so the database ${path} cannot be opened, not even to be read. ${readOnly.helps}`,
  )
}

function readingCopy(path: string, migrations: string, readOnly: ReadOnly, within: string) {
  const folder = mkdtempSync(join(within, 'elvant-read-'))
  const remove = () => rmSync(folder, { recursive: true, force: true })
  try {
    const copy = join(folder, 'elvant.sqlite')
    // What is in the log only was answered as well.
    for (const end of ['', '-wal'].filter((one) => existsSync(path + one))) {
      copyFileSync(path + end, copy + end)
      chmodSync(copy + end, 0o600)
    }
    openDatabase(copy, migrations).close()
    process.once('exit', remove)
    return reading(copy, migrations, readOnly, remove)
  } catch (error) {
    remove()
    throw error
  }
}

function reading(
  path: string,
  migrations: string,
  readOnly: ReadOnly,
  afterwards: () => void,
): OpenDatabase {
  const sqlite = new Sqlite(path, { readonly: true, fileMustExist: true })
  const close = () => {
    sqlite.close()
    afterwards()
  }
  try {
    requireOwn(sqlite)
    if (!isUpToDate(sqlite, migrations)) throw new Error('The database is of an older version.')
    return {
      ...{ db: drizzle(sqlite, { schema }), path, isNew: false, readOnly, close },
      requirePresent: () => {},
      closeFile: () => {
        throw Object.assign(new Error('The database is only read.'), { code: 'SQLITE_READONLY' })
      },
    }
  } catch (error) {
    sqlite.close()
    throw error
  }
}
