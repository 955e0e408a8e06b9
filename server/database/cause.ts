/** The code of a database file that is not where it was. */
export const GONE = 'ELVANT_GONE'

/** Codes of SQLite and of the file system; what each means for who is working, and what helps. */
const CAUSES: readonly { readonly code: RegExp; readonly says: string; readonly helps: string }[] =
  [
    {
      code: /^(SQLITE_FULL|ENOSPC|EDQUOT)/,
      says: 'The disk is full',
      helps: 'Make room and try again.',
    },
    {
      code: /^(ELVANT_GONE|SQLITE_READONLY_DBMOVED)/,
      says: 'The file of the database was deleted, moved or replaced while Elvant was running',
      helps: 'Put it back, or restore a backup, and start Elvant again.',
    },
    {
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
  if (!(error instanceof Error)) return null
  const own = 'code' in error ? String(error.code) : ''
  const known = CAUSES.find(({ code }) => code.test(own))
  // A query builder wraps what the database said.
  return known ? `${known.says}: nothing was changed. ${known.helps}` : causeOf(error.cause)
}
