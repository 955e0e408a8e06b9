import { copyFileSync, existsSync, linkSync, renameSync, rmSync } from 'node:fs'
import Sqlite from 'better-sqlite3'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import { Refusal } from '../../core/refusal'
import { causeOf } from '../database/cause'
import { hasOwnTables } from '../database/ownFile'
import { realPathOf } from '../database/realPath'
import { seal, unseal } from './seal'

/**
 * Writes the whole database into one file, complete at one moment, while others go on working; its digest stands at the
 * end.
 *
 * @param from path of the database
 * @param to path of the copy
 * @throws Refusal when the copy is there already or cannot be written
 */
export function backUp(from: string, to: string): void {
  if (existsSync(to)) throw new Refusal(`${to} is there already; name another file.`, to)
  if (!existsSync(from)) throw new Refusal(`There is no database at ${from}.`, from)
  const sqlite = new Sqlite(from, { readonly: true })
  try {
    sqlite.prepare('VACUUM INTO ?').run(to)
    seal(to)
  } catch (error) {
    rmSync(to, { force: true })
    // A full disk is told as elsewhere, by who answers.
    if (causeOf(error) !== null) throw error
    throw new Refusal(`The copy cannot be written: ${(error as Error).message}.`, to)
  } finally {
    sqlite.close()
  }
}

/**
 * Checks that a file is a whole, undamaged backup that this version can open, and takes off what seals it.
 *
 * @param path of a copy: what is left of it is the database
 * @throws Refusal saying what is wrong with it
 */
export function requireBackup(path: string, migrationsFolder: string): void {
  unseal(path)
  let sqlite: Sqlite.Database | undefined
  try {
    sqlite = new Sqlite(path, { readonly: true, fileMustExist: true })
    const tables = sqlite
      .prepare("SELECT name FROM sqlite_master WHERE type = 'table'")
      .pluck()
      .all() as string[]
    if (!hasOwnTables(tables)) {
      throw new Refusal('This is a database, but not one of Elvant.', 'backup')
    }
    if (sqlite.pragma('integrity_check', { simple: true }) !== 'ok') {
      throw new Refusal('The backup is damaged; nothing was changed.', 'backup')
    }
    const migrations = readMigrationFiles({ migrationsFolder })
    const known = new Set(migrations.map(({ folderMillis }) => folderMillis))
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
    requireColumns(
      sqlite,
      migrations
        .filter(({ folderMillis }) => applied.includes(folderMillis))
        .flatMap(({ sql }) => sql),
    )
  } catch (error) {
    if (error instanceof Refusal) throw error
    throw new Refusal('This file is no backup of Elvant, or it is damaged.', 'backup')
  } finally {
    sqlite?.close()
  }
}

/**
 * Checks that a database has every column that its migrations made: one that another program has changed would be opened, and
 * fail at the first request.
 *
 * @param made the statements of its migrations
 */
function requireColumns(sqlite: Sqlite.Database, made: readonly string[]): void {
  const model = new Sqlite(':memory:')
  try {
    for (const statement of made) model.exec(statement)
    const tables = model
      .prepare("SELECT name FROM sqlite_master WHERE type = 'table'")
      .pluck()
      .all()
    for (const table of tables as string[]) {
      const own = new Set(columnsOf(sqlite, table))
      const lacking = columnsOf(model, table).find((column) => !own.has(column))
      if (lacking === undefined) continue
      throw new Refusal(
        `The backup lacks the column "${lacking}" of the table "${table}": it was changed by another program. Nothing was changed.`,
        'backup',
      )
    }
  } finally {
    model.close()
  }
}

function columnsOf(sqlite: Sqlite.Database, table: string): string[] {
  return sqlite.prepare('SELECT name FROM pragma_table_info(?)').pluck().all(table) as string[]
}

/**
 * Puts a checked backup in the place of the database, which is laid beside it. No one may have the database open.
 *
 * At every moment there is a whole database under the name: the old one gets a second name, then the backup takes its
 * place in one step. Versions of studies go on from where they stood, so that a copy that is open elsewhere is noticed.
 *
 * @param backup path of the backup; it is moved
 * @param named path of the database; behind a symbolic link the file itself is replaced
 * @returns where the database that was there lies now; null when there was none
 * @throws Refusal while another program reads the database: what is in its log only would be lost
 */
export function putInPlace(backup: string, named: string): string | null {
  const to = realPathOf(named)
  const aside = `${to}.before-restore-${new Date().toISOString().replace(/[:.]/g, '-')}`
  const hadOne = existsSync(to)
  if (hadOne) {
    const newest = closedAt(to)
    goOnFrom(backup, newest)
    giveSecondName(to, aside)
  }
  for (const end of ['-wal', '-shm']) rmSync(to + end, { force: true })
  renameSync(backup, to)
  return hadOne ? aside : null
}

/** Writes out what is still in the log of a database, which belongs to it alone. @returns its highest version */
function closedAt(path: string): number {
  const old = new Sqlite(path)
  try {
    requireWrittenOut(old)
    return (old.prepare('SELECT max(version) FROM studies').pluck().get() as number | null) ?? 0
  } finally {
    old.close()
  }
}

/** Has what is in the log of a database written into it. @throws Refusal while a reader holds the log */
function requireWrittenOut(sqlite: Sqlite.Database): void {
  sqlite.pragma('busy_timeout = 3000')
  const [done] = sqlite.pragma('wal_checkpoint(TRUNCATE)') as { busy: number }[]
  if (done?.busy !== 1) return
  throw new Refusal(
    'Another program is reading the database; nothing was changed. End that one and try again.',
    'database',
  )
}

/** Raises every version of a database above one that was given out before. */
function goOnFrom(path: string, newest: number): void {
  const sqlite = new Sqlite(path)
  try {
    sqlite.prepare('UPDATE studies SET version = version + ?').run(newest)
  } finally {
    sqlite.close()
  }
}

function giveSecondName(path: string, second: string): void {
  try {
    linkSync(path, second)
  } catch {
    // Not every file system has links.
    copyFileSync(path, second)
  }
}
