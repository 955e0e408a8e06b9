import { mkdirSync, statSync } from 'node:fs'
import { dirname } from 'node:path'
import Sqlite from 'better-sqlite3'
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3'
import { bringUpToDate } from './bringUpToDate'
import { Refusal } from '../../core/refusal'
import { GONE } from './cause'
import { lockDatabase, type DatabaseLock } from './lock'
import { markAsOwn, requireOwn } from './ownFile'
import * as schema from './schema'

export type Database = BetterSQLite3Database<typeof schema>

/** Why a database is only read, and what helps. */
export interface ReadOnly {
  /** As the analyst named it. */
  readonly file: string
  readonly says: string
  readonly helps: string
}

/** An open database. */
export interface OpenDatabase {
  readonly db: Database
  readonly path: string
  /** Whether this opening made the file. */
  readonly isNew: boolean
  /** Why nothing can be written to it; null where it can. */
  readonly readOnly: ReadOnly | null
  /**
   * Sees to it that the file is still the one that was opened.
   *
   * @throws Error with the code ELVANT_GONE when it was deleted, moved or replaced: what is written to it would be lost
   */
  requirePresent(): void
  close(): void
  /** Closes the file but goes on holding it, to put another in its place. */
  closeFile(): DatabaseLock
}

/**
 * Opens the one file that holds everything, making it when it is not there, and brings its tables
 * up to date.
 *
 * Every answered write is on disk before the answer: write-ahead log with `synchronous=FULL`, so
 * that neither a killed server nor a power cut takes it back.
 *
 * @param path of the file; its folder is made when it is missing
 * @param migrations folder of the migrations
 * @param held where the caller holds the file already
 * @throws Refusal when another program has it open, and for a database of another program
 * @throws Error in words for a folder that cannot be written, a file that is no database, or one
 *   from a newer version
 */
export function openDatabase(path: string, migrations: string, held?: DatabaseLock): OpenDatabase {
  let sqlite: Sqlite.Database | undefined
  let lock: DatabaseLock | undefined
  try {
    if (path !== ':memory:') mkdirSync(dirname(path), { recursive: true })
    lock = held ?? lockDatabase(path)
    sqlite = new Sqlite(path)
    requireOwn(sqlite)
    sqlite.pragma('journal_mode = WAL')
    sqlite.pragma('synchronous = FULL')
    sqlite.pragma('foreign_keys = ON')
    sqlite.pragma('busy_timeout = 5000')
  } catch (error) {
    sqlite?.close()
    lock?.release()
    if (error instanceof Refusal) throw error
    throw new Error(
      `The database ${path} cannot be opened: ${(error as Error).message}. Set ELVANT_DATA to a file in a folder that can be written.`,
      { cause: error },
    )
  }
  const opened = sqlite
  const own = lock
  const close = () => {
    opened.close()
    own.release()
  }
  try {
    const db = drizzle(opened, { schema })
    const { isNew } = bringUpToDate(db, opened, migrations)
    markAsOwn(opened)
    // From here on who finds it held asks again: waiting for another would hold everyone.
    opened.pragma('busy_timeout = 0')
    const inode = path === ':memory:' ? null : statSync(path).ino
    const requirePresent = () => {
      if (inode === null || statSync(path, { throwIfNoEntry: false })?.ino === inode) return
      throw Object.assign(new Error(`The database is not at ${path} any more.`), { code: GONE })
    }
    return {
      ...{ db, path, isNew, readOnly: null, requirePresent, close },
      closeFile: () => {
        opened.close()
        return own
      },
    }
  } catch (error) {
    close()
    throw error
  }
}
