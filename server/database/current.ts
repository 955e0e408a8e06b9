import { renameSync } from 'node:fs'
import { putInPlace, requireBackup } from '../backup/backup'
import { openDatabase, type Database, type OpenDatabase } from './open'

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

/** Where the database of this server lies. */
export function databasePath(): string {
  if (!current) throw new Error('The database is not open yet.')
  return current.path
}

/**
 * Puts a backup in the place of the database and opens it. The database that was there is kept beside it,
 * and comes back when the backup cannot be opened after all.
 *
 * @throws Refusal for a file that is no whole backup; nothing is changed then
 */
export function restoreDatabase(backup: string, migrations: string): void {
  const path = databasePath()
  requireBackup(backup, migrations)
  closeDatabase()
  const aside = putInPlace(backup, path)
  try {
    useDatabase(openDatabase(path, migrations))
  } catch (error) {
    if (aside) renameSync(aside, path)
    useDatabase(openDatabase(path, migrations))
    throw error
  }
}

export function closeDatabase(): void {
  current?.close()
  current = null
}
