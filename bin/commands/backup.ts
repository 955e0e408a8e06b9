import { copyFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { backUp, putInPlace, requireBackup } from '../../server/backup/backup'
import { readBytes } from '../files'
import { printJson } from '../output'

const MIGRATIONS = fileURLToPath(new URL('../../server/database/migrations', import.meta.url))

function databasePath(): string {
  return resolve(process.env.ELVANT_DATA ?? 'data/elvant.sqlite')
}

/** Writes the whole database into one file. */
export function backup(file: string): void {
  backUp(databasePath(), resolve(file))
  printJson({ backup: resolve(file) })
}

/** Puts a backup in the place of the database, which is kept beside it. The server must be stopped. */
export function restore(file: string): void {
  readBytes(file)
  requireBackup(file, MIGRATIONS)
  const copy = `${databasePath()}.incoming`
  copyFileSync(file, copy)
  printJson({ restored: databasePath(), before: putInPlace(copy, databasePath()) })
}
