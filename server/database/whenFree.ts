/** Milliseconds that are waited for who holds the database, and after which it is tried again. */
const LONGEST = 5000
const AGAIN = 25

/**
 * Does something with the database, and again while another thread or program holds it: the wait is beside the server's own
 * thread, so that nobody else is held by it.
 *
 * @param act all or nothing, so that it can be begun anew
 * @param longest milliseconds that are waited
 * @throws Error what the database says when it is still held then
 */
export async function whenFree<T>(act: () => T | Promise<T>, longest = LONGEST): Promise<T> {
  const ends = performance.now() + longest
  for (;;) {
    try {
      return await act()
    } catch (error) {
      if (!isHeld(error) || performance.now() > ends) throw error
      await new Promise((resolve) => setTimeout(resolve, AGAIN))
    }
  }
}

function isHeld(error: unknown): boolean {
  if (!(error instanceof Error)) return false
  const code = 'code' in error ? String(error.code) : ''
  // A query builder wraps what the database said.
  return /^SQLITE_(BUSY|LOCKED)/.test(code) || isHeld(error.cause)
}
