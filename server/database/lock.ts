import Sqlite from 'better-sqlite3'
import { Refusal } from '../../core/refusal'
import { realPathOf } from './realPath'

/** A database that is held for as long as this is open. */
export interface DatabaseLock {
  release(): void
}

/**
 * Holds a database for one program alone: a second server, or a restore under a running one, is refused at once.
 *
 * What is held is an exclusive transaction on a small file beside the database. The operating system lets go of it when the
 * program ends, however it ends, so that no crash leaves a lock behind.
 *
 * @param path of the database
 * @throws Refusal when another program holds it
 */
export function lockDatabase(path: string): DatabaseLock {
  if (path === ':memory:') return { release: () => {} }
  const held = new Sqlite(`${realPathOf(path)}.lock`, { timeout: 0 })
  try {
    // Nothing is ever written to it.
    held.pragma('journal_mode = MEMORY')
    held.exec('BEGIN EXCLUSIVE')
  } catch (error) {
    held.close()
    if ((error as { code?: string }).code !== 'SQLITE_BUSY') throw error
    throw new Refusal(
      `The database ${path} is in use by an Elvant that is running. Stop that one first, or set ELVANT_DATA to another file.`,
      'database',
    )
  }
  return {
    release: () => {
      if (!held.open) return
      held.exec('ROLLBACK')
      held.close()
    },
  }
}
