import type { Database as Sqlite } from 'better-sqlite3'
import type { BetterSQLite3Database } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import type * as schema from './schema'

/**
 * Applies the migrations that a database does not have yet, all in one transaction, after a copy
 * of the file was laid beside it.
 *
 * @returns whether the database was empty before
 * @throws Error when the database comes from a newer version, which must not write into it
 */
export function bringUpToDate(
  db: BetterSQLite3Database<typeof schema>,
  sqlite: Sqlite,
  migrationsFolder: string,
): { isNew: boolean } {
  const known = readMigrationFiles({ migrationsFolder })
  const applied = appliedMigrations(sqlite)
  const newest = known.at(-1)!.folderMillis
  if (applied.some((at) => at > newest)) {
    throw new Error(
      `The database ${sqlite.name} was written by a newer version of Elvant. Start that version, or set ELVANT_DATA to another file.`,
    )
  }
  const isNew = applied.length === 0
  if (applied.length < known.length) {
    if (!isNew) sqlite.prepare('VACUUM INTO ?').run(copyName(sqlite.name))
    migrate(db, { migrationsFolder })
  }
  return { isNew }
}

/** Whether a database has every migration, so that it can be read as it is. */
export function isUpToDate(sqlite: Sqlite, migrationsFolder: string): boolean {
  return appliedMigrations(sqlite).length === readMigrationFiles({ migrationsFolder }).length
}

/** When each applied migration was made, as the migrator writes it down. */
function appliedMigrations(sqlite: Sqlite): number[] {
  const table = sqlite
    .prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = '__drizzle_migrations'")
    .get()
  return table
    ? (sqlite.prepare('SELECT created_at FROM __drizzle_migrations').pluck().all() as number[])
    : []
}

function copyName(path: string): string {
  return `${path}.before-${new Date().toISOString().replace(/[:.]/g, '-')}`
}
