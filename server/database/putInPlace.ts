import { copyFileSync, existsSync, linkSync, renameSync, rmSync } from 'node:fs'
import Sqlite from 'better-sqlite3'
import { Refusal } from '../../core/refusal'
import { realPathOf } from './realPath'

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
