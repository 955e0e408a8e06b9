/**
 * What is kept in this browser from one visit to the next: preferences, answers, changes on their way. A browser may forbid it, or
 * have no room left; then it is kept as long as the page is open, and everything else works.
 */

/** What the browser did not take. */
const inThisPage = new Map<string, string>()

/** What was kept under a key; null for nothing. */
export function recall(key: string): string | null {
  const own = inThisPage.get(key)
  if (own !== undefined) return own
  try {
    return localStorage.getItem(key)
  } catch {
    return null
  }
}

/** Keeps a text. @returns whether it is there on the next visit, too */
export function remember(key: string, text: string): boolean {
  try {
    localStorage.setItem(key, text)
    inThisPage.delete(key)
    return true
  } catch {
    inThisPage.set(key, text)
    return false
  }
}

export function forget(key: string): void {
  inThisPage.delete(key)
  try {
    localStorage.removeItem(key)
  } catch {
    // What cannot be kept cannot be there.
  }
}

/** Keys that begin in one way, of this visit and those before it. */
export function keysBeginning(start: string): string[] {
  const all = new Set(inThisPage.keys())
  try {
    for (let at = 0; at < localStorage.length; at++) all.add(localStorage.key(at)!)
  } catch {
    // As above.
  }
  return [...all].filter((key) => key.startsWith(start))
}
