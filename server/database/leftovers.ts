import { readdirSync, rmSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'

/** Copies on their way in or out: whoever made them has ended, since only one program holds a database. */
const ENDS = ['.upload', '.backup', '.upload-journal', '.backup-journal']

/** Clears away what a program that was killed left beside its database. */
export function clearLeftovers(path: string): void {
  const start = `${basename(path)}.`
  for (const name of readdirSync(dirname(path))) {
    const isOurs = name.startsWith(start) && /\.[0-9a-f-]{36}\./.test(name)
    if (isOurs && ENDS.some((end) => name.endsWith(end))) {
      rmSync(join(dirname(path), name), { force: true })
    }
  }
}
