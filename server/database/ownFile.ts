import type { Database as Sqlite } from 'better-sqlite3'
import { Refusal } from '../../core/refusal'

/** What stands in the head of every database of this program: `ELVT`. */
export const APPLICATION_ID = 0x45_4c_56_54

/** Tables without which a file is no database of this program, however old. */
const TABLES = ['series', 'vintages', 'studies', '__drizzle_migrations']

/**
 * Whether a database is this program's: by what stands in its head, and of one that was made before anything stood there
 * by its tables. An empty one can become so.
 *
 * @throws Refusal for a database of another program; it is not touched
 */
export function requireOwn(sqlite: Sqlite): void {
  const id = sqlite.pragma('application_id', { simple: true }) as number
  const tables = sqlite
    .prepare("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'")
    .pluck()
    .all() as string[]
  const isOurs = id === APPLICATION_ID || (id === 0 && hasOwnTables(tables))
  if (isOurs || (id === 0 && tables.length === 0)) return
  throw new Refusal(
    `${sqlite.name} is a database of another program, and is left alone. Set ELVANT_DATA to another file.`,
    'database',
  )
}

/** Whether the tables are there that every version has had. */
export function hasOwnTables(tables: readonly string[]): boolean {
  return TABLES.every((name) => tables.includes(name))
}

export function markAsOwn(sqlite: Sqlite): void {
  sqlite.pragma(`application_id = ${APPLICATION_ID}`)
}
