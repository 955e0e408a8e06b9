import { constants, setPriority } from 'node:os'

let hasStoodBack = false

/**
 * Has the thread that asks give way to all others of the server: work over thousands of series is done when nobody waits for anything.
 *
 * On Linux a priority is that of a thread; elsewhere it would be that of the whole server, and nothing is changed.
 */
export function standBack(): void {
  if (hasStoodBack || process.platform !== 'linux') return
  hasStoodBack = true
  setPriority(constants.priority.PRIORITY_BELOW_NORMAL)
}
