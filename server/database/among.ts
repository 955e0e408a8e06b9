import { sql, type AnyColumn, type SQL } from 'drizzle-orm'

/** Whether a column is one of some ids: one word of a statement for thousands of them, not one for each. */
export function among(column: AnyColumn, ids: readonly string[]): SQL {
  return sql`${column} IN (SELECT value FROM json_each(${JSON.stringify(ids)}))`
}
