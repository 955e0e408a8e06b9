/** The code of a database file that is not where it was. */
export const GONE = 'ELVANT_GONE'

/** What stands behind some codes of SQLite and of the file system, for who is working. */
interface Cause {
  readonly code: RegExp
  readonly says: string
  readonly helps: string
  /** What helps when it is found at the start; only where what is there can perhaps be read all the same. */
  readonly atStart?: string
}

const CAUSES: readonly Cause[] = [
  {
    atStart: 'Make room, then start Elvant again.',
    // A log that finds no room for its index is not told of as a full disk.
    code: /^(SQLITE_FULL|SQLITE_IOERR_SHMSIZE|ENOSPC|EDQUOT)/,
    says: 'The disk is full',
    helps: 'Make room and try again.',
  },
  {
    code: /^(ELVANT_GONE|SQLITE_READONLY_DBMOVED)/,
    says: 'The file of the database was deleted, moved or replaced while Elvant was running',
    helps: 'Put it back, or restore a backup, and start Elvant again.',
  },
  {
    atStart: 'Let Elvant write to its file and folder, then start it again.',
    code: /^(SQLITE_READONLY|EROFS|EACCES|EPERM|SQLITE_CANTOPEN)/,
    says: 'The database cannot be written to',
    helps: 'Let Elvant write to its file and folder, and try again.',
  },
  {
    code: /^(SQLITE_BUSY|SQLITE_LOCKED)/,
    says: 'Another program holds the database',
    helps: 'End that one and try again.',
  },
  {
    code: /^(SQLITE_CORRUPT|SQLITE_NOTADB)/,
    says: 'The database is damaged',
    helps: 'Restore a backup.',
  },
  {
    atStart: 'Have the disk looked at, then start Elvant again.',
    code: /^(SQLITE_IOERR|EIO)/,
    says: 'The disk answers with faults',
    helps: 'Have the disk looked at, and make a backup on another.',
  },
]

/**
 * Why the disk or the database did not take what was to be written; null for an error of another kind.
 *
 * @example causeOf(an error with the code SQLITE_FULL)
 *   // 'The disk is full: nothing was changed. Make room and try again.'
 */
export function causeOf(error: unknown): string | null {
  const known = find(error)
  return known && `${known.says}: nothing was changed. ${known.helps}`
}

/** Why a database cannot be written to that can perhaps be read; null for an error of another kind. */
export function writeFaultOf(error: unknown): { says: string; helps: string } | null {
  const known = find(error)
  return known?.atStart ? { says: known.says, helps: known.atStart } : null
}

function find(error: unknown): Cause | null {
  if (!(error instanceof Error)) return null
  const own = 'code' in error ? String(error.code) : ''
  // A query builder wraps what the database said.
  return CAUSES.find(({ code }) => code.test(own)) ?? find(error.cause)
}
