import type { Database, OpenDatabase } from './open'

let current: OpenDatabase | null = null

/** Makes a database the one that routes work on; the server does so once, at its start. */
export function useDatabase(database: OpenDatabase): void {
  current = database
}

/** The database of this server. */
export function database(): Database {
  if (!current) throw new Error('The database is not open yet.')
  return current.db
}

export function closeDatabase(): void {
  current?.close()
  current = null
}
