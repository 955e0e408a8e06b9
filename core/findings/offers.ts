import type { Action, Finding } from '../finding'
import type { Method } from '../method'

/** Findings without the offers that have been taken already: a click that changes nothing is none. */
export function withoutTaken(findings: readonly Finding[], method: Method): Finding[] {
  return findings.map((finding) => {
    const { actions, ...rest } = finding
    if (!actions) return finding
    const open = actions.filter((action) => !isTaken(action, method))
    return open.length > 0 ? { ...rest, actions: open } : rest
  })
}

function isTaken(action: Action, method: Method): boolean {
  return !('adjust' in action) && says(method, action.change)
}

/** Whether something says what a change would make of it; what the change leaves undefined must not be there. */
function says(have: unknown, wanted: unknown): boolean {
  if (wanted === null || typeof wanted !== 'object' || Array.isArray(wanted)) {
    return JSON.stringify(have) === JSON.stringify(wanted)
  }
  return Object.entries(wanted).every(([key, value]) =>
    says((have as Record<string, unknown> | undefined)?.[key], value),
  )
}
