import { mkdirSync } from 'node:fs'
import { dirname } from 'node:path'
import Sqlite from 'better-sqlite3'
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3'
import { bringUpToDate } from './bringUpToDate'
import * as schema from './schema'

export type Database = BetterSQLite3Database<typeof schema>

/** An open database. */
export interface OpenDatabase {
  readonly db: Database
  readonly path: string
  /** Whether this opening made the file. */
  readonly isNew: boolean
  close(): void
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
 * @throws Error in words for a folder that cannot be written, a file that is no database, or one
 *   from a newer version
 */
export function openDatabase(path: string, migrations: string): OpenDatabase {
  let sqlite: Sqlite.Database | undefined
  try {
    mkdirSync(dirname(path), { recursive: true })
    sqlite = new Sqlite(path)
    sqlite.pragma('journal_mode = WAL')
    sqlite.pragma('synchronous = FULL')
    sqlite.pragma('foreign_keys = ON')
    sqlite.pragma('busy_timeout = 5000')
  } catch (error) {
    sqlite?.close()
    throw new Error(
      `The database ${path} cannot be opened: ${(error as Error).message}. Set ELVANT_DATA to a file in a folder that can be written.`,
      { cause: error },
    )
  }
  const db = drizzle(sqlite, { schema })
  const { isNew } = bringUpToDate(db, sqlite, migrations)
  const opened = sqlite
  return { db, path, isNew, close: () => opened.close() }
}
