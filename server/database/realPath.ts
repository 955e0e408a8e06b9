import { realpathSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'

/**
 * Where a file really lies: behind a symbolic link is the same database as under its own name, and one lock must hold for both.
 *
 * @param path of a file that need not be there, in a folder that is
 */
export function realPathOf(path: string): string {
  try {
    return realpathSync(path)
  } catch {
    try {
      return join(realpathSync(dirname(path)), basename(path))
    } catch {
      return path
    }
  }
}
