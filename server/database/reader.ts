import Sqlite from 'better-sqlite3'
import { drizzle } from 'drizzle-orm/better-sqlite3'
import type { Database } from './open'
import * as schema from './schema'

/** Reads from a database that another thread has open, as it is at one moment; nothing can be written. */
export function withReader<T>(path: string, read: (db: Database) => T): T {
  const sqlite = new Sqlite(path, { readonly: true, fileMustExist: true })
  try {
    return read(drizzle(sqlite, { schema }))
  } finally {
    sqlite.close()
  }
}
