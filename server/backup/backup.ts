import { existsSync, renameSync, rmSync } from 'node:fs'
import Sqlite from 'better-sqlite3'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import { Refusal } from '../../core/refusal'

/** Tables without which a file is no database of this program. */
const TABLES = ['series', 'vintages', 'studies', '__drizzle_migrations']

/**
 * Writes the whole database into one file, complete at one moment, while others go on working.
 *
 * @param from path of the database
 * @param to path of the copy
 * @throws Refusal when the copy is there already or cannot be written
 */
export function backUp(from: string, to: string): void {
  if (existsSync(to)) throw new Refusal(`${to} is there already; name another file.`, to)
  if (!existsSync(from)) throw new Refusal(`There is no database at ${from}.`, from)
  const sqlite = new Sqlite(from)
  try {
    sqlite.prepare('VACUUM INTO ?').run(to)
  } catch (error) {
    throw new Refusal(`The copy cannot be written: ${(error as Error).message}.`, to)
  } finally {
    sqlite.close()
  }
}

/**
 * Checks that a file is a whole, undamaged database that this version can open.
 *
 * @throws Refusal saying what is wrong with it
 */
export function requireBackup(path: string, migrationsFolder: string): void {
  let sqlite: Sqlite.Database | undefined
  try {
    sqlite = new Sqlite(path, { readonly: true, fileMustExist: true })
    const tables = sqlite
      .prepare("SELECT name FROM sqlite_master WHERE type = 'table'")
      .pluck()
      .all() as string[]
    if (!TABLES.every((name) => tables.includes(name))) {
      throw new Refusal('This is a database, but not one of Elvant.', 'backup')
    }
    if (sqlite.pragma('integrity_check', { simple: true }) !== 'ok') {
      throw new Refusal('The backup is damaged; nothing was changed.', 'backup')
    }
    const known = new Set(
      readMigrationFiles({ migrationsFolder }).map(({ folderMillis }) => folderMillis),
    )
    const applied = sqlite
      .prepare('SELECT created_at FROM __drizzle_migrations')
      .pluck()
      .all() as number[]
    if (!applied.every((at) => known.has(at))) {
      throw new Refusal(
        'The backup was made by a newer version of Elvant. Start that one.',
        'backup',
      )
    }
  } catch (error) {
    if (error instanceof Refusal) throw error
    throw new Refusal('This file is no backup of Elvant, or it is damaged.', 'backup')
  } finally {
    sqlite?.close()
  }
}

/**
 * Puts a checked backup in the place of the database, which is laid beside it. No one may have the
 * database open.
 *
 * @param backup path of the backup; it is moved
 * @param to path of the database
 * @returns where the database that was there lies now; null when there was none
 */
export function putInPlace(backup: string, to: string): string | null {
  const aside = `${to}.before-restore-${new Date().toISOString().replace(/[:.]/g, '-')}`
  const hadOne = existsSync(to)
  if (hadOne) {
    // What is still in the log belongs to the old file, and must not be read into the new one.
    const old = new Sqlite(to)
    old.pragma('wal_checkpoint(TRUNCATE)')
    old.close()
    renameSync(to, aside)
  }
  for (const end of ['-wal', '-shm']) rmSync(to + end, { force: true })
  renameSync(backup, to)
  return hadOne ? aside : null
}
