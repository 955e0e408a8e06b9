import { sql } from 'drizzle-orm'
import type { SQLiteInsertValue, SQLiteTable } from 'drizzle-orm/sqlite-core'
import type { Database } from './open'

/**
 * Inserts rows by one statement that is made once: of many rows, making a statement for each takes longer than writing it.
 *
 * @param rows that all name the same columns
 */
export function insertAll<Table extends SQLiteTable>(
  db: Pick<Database, 'insert'>,
  table: Table,
  rows: readonly Table['$inferInsert'][],
): void {
  const [first] = rows
  if (!first) return
  const places = Object.keys(first).map((column) => [column, sql.placeholder(column)])
  const statement = db
    .insert(table)
    .values(Object.fromEntries(places) as SQLiteInsertValue<Table>)
    .prepare()
  for (const row of rows) statement.run(row)
}
