import { randomUUID } from 'node:crypto'
import { copyFileSync, mkdirSync, rmSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import { backUp, requireBackup } from '../../server/backup/backup'
import { putInPlace } from '../../server/database/putInPlace'
import { Refusal } from '../../core/refusal'
import { causeOf } from '../../server/database/cause'
import { lockDatabase } from '../../server/database/lock'
import { readBytes } from '../files'
import { printJson } from '../output'
import { databasePath, MIGRATIONS } from './database'

/** Writes the whole database into one file. */
export function backup(file: string): void {
  inWords(() => backUp(databasePath(), resolve(file)))
  printJson({ backup: resolve(file) })
}

/** Puts a backup in the place of the database, which is kept beside it. The server must be stopped. */
export function restore(file: string): void {
  readBytes(file)
  const path = databasePath()
  mkdirSync(dirname(path), { recursive: true })
  const lock = lockDatabase(path)
  const copy = `${path}.${randomUUID()}.upload`
  try {
    const before = inWords(() => {
      copyFileSync(file, copy)
      requireBackup(copy, MIGRATIONS)
      return putInPlace(copy, path)
    })
    printJson({ restored: path, before })
  } finally {
    rmSync(copy, { force: true })
    lock.release()
  }
}

/** What the disk does not take is a refusal that says why, not a defect. */
function inWords<T>(act: () => T): T {
  try {
    return act()
  } catch (error) {
    const cause = causeOf(error)
    throw cause === null ? error : new Refusal(cause, 'disk')
  }
}
