import { existsSync, rmSync } from 'node:fs'
import Sqlite from 'better-sqlite3'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import { Refusal } from '../../core/refusal'
import { causeOf } from '../database/cause'
import { hasOwnTables } from '../database/ownFile'
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
