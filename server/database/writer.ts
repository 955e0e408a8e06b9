import Sqlite from 'better-sqlite3'
import { drizzle } from 'drizzle-orm/better-sqlite3'
import type { Database } from './open'
import * as schema from './schema'

/** Milliseconds that a thread waits for another that writes; nobody but itself is held by that. */
const WAITS = 10_000

/**
 * Writes to a database that another thread of this server has open and holds, all or nothing; what is written is on disk when
 * this returns.
 *
 * @param path of a database that is up to date
 */
export function withWriter<T>(path: string, write: (db: Database) => T): T {
  const sqlite = new Sqlite(path, { fileMustExist: true, timeout: WAITS })
  try {
    sqlite.pragma('synchronous = FULL')
    sqlite.pragma('foreign_keys = ON')
    // Who begins by reading and then finds another writing is not made to wait, but refused: so it is taken at once.
    return sqlite.transaction(() => write(drizzle(sqlite, { schema }))).immediate()
  } finally {
    sqlite.close()
  }
}
