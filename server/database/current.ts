import { renameSync } from 'node:fs'
import { putInPlace } from './putInPlace'
import { openDatabase, type Database, type OpenDatabase, type ReadOnly } from './open'

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

/** @throws Error for a file that is gone: see {@link OpenDatabase.requirePresent} */
export function requireDatabasePresent(): void {
  current?.requirePresent()
}

/** Why nothing can be kept; null where it can. */
export function readOnly(): ReadOnly | null {
  return current?.readOnly ?? null
}

/** Where the database of this server lies. */
export function databasePath(): string {
  if (!current) throw new Error('The database is not open yet.')
  return current.path
}

const beingWritten = new Set<Promise<unknown>>()

/**
 * Has another thread write to the database; it is not put aside in the meantime.
 *
 * @param write given the path of the database
 */
export async function writtenElsewhere<T>(write: (path: string) => Promise<T>): Promise<T> {
  // What is read may be a copy: what is written to it would be lost.
  if (readOnly()) {
    throw Object.assign(new Error('The database is only read.'), { code: 'SQLITE_READONLY' })
  }
  // Another thread opens the file by its name: under that must be the one that this server holds.
  requireDatabasePresent()
  const writing = write(databasePath())
  beingWritten.add(writing)
  try {
    return await writing
  } finally {
    beingWritten.delete(writing)
  }
}

/** Settles at a moment when no other thread writes to the database, or waits to. */
export async function nothingWritten(): Promise<void> {
  while (beingWritten.size > 0) await Promise.allSettled(beingWritten)
}

/**
 * Puts a checked backup ({@link requireBackup}) in the place of the database and opens it. The database that was there is kept beside it,
 * and comes back when the backup cannot be opened after all.
 *
 * @throws Error when it cannot be opened; everything is as before then
 */
export function restoreDatabase(backup: string, migrations: string): void {
  const path = databasePath()
  const held = current!.closeFile()
  current = null
  let aside: string | null = null
  try {
    aside = putInPlace(backup, path)
    useDatabase(openDatabase(path, migrations, held))
  } catch (error) {
    if (aside) renameSync(aside, path)
    useDatabase(openDatabase(path, migrations, aside ? undefined : held))
    throw error
  }
}

export function closeDatabase(): void {
  current?.close()
  current = null
}
