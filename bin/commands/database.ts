import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { isNull } from 'drizzle-orm'
import { Refusal } from '../../core/refusal'
import { lockDatabase, type DatabaseLock } from '../../server/database/lock'
import { openDatabase, type Database } from '../../server/database/open'
import { series } from '../../server/database/schema'
import { withWriter } from '../../server/database/writer'

export const MIGRATIONS = fileURLToPath(
  new URL('../../server/database/migrations', import.meta.url),
)

/** Where the database lies. */
export function databasePath(): string {
  return resolve(process.env.ELVANT_DATA ?? 'data/elvant.sqlite')
}

/**
 * Does something with the database, all or nothing, also while the server has it open.
 *
 * @throws Refusal where there is none
 */
export function withDatabase<T>(act: (db: Database) => T): T {
  const path = databasePath()
  if (!existsSync(path)) {
    throw new Refusal(
      `There is no database at ${path}. Start the server once, or set ELVANT_DATA.`,
      'database',
    )
  }
  bringUpToDate(path)
  return withWriter(path, act)
}

/** Whoever holds the file has brought it up to date. */
function bringUpToDate(path: string): void {
  let lock: DatabaseLock
  try {
    lock = lockDatabase(path)
  } catch (error) {
    if (error instanceof Refusal) return
    throw error
  }
  openDatabase(path, MIGRATIONS, lock).close()
}

/**
 * The id of a series on the shelf by its name.
 *
 * @throws Refusal where there is none, or there are several
 */
export function seriesNamed(db: Database, name: string): string {
  const all = db
    .select({ id: series.id, name: series.name })
    .from(series)
    .where(isNull(series.deletedAt))
    .all()
  const own = all.filter((one) => one.name === name || one.id === name)
  if (own.length === 1) return own[0]!.id
  throw new Refusal(
    own.length === 0
      ? `There is no series "${name}" on the shelf.${knownWords(all.map((one) => one.name))}`
      : `${own.length} series are called "${name}". Name one by its id: ${own.map(({ id }) => id).join(', ')}.`,
    'arguments',
  )
}

const MOST_NAMED = 10

function knownWords(names: readonly string[]): string {
  if (names.length === 0) return ' It is empty.'
  const some = names.slice(0, MOST_NAMED).map((name) => `"${name}"`)
  return ` There are ${some.join(', ')}${names.length > MOST_NAMED ? ' and others' : ''}.`
}
