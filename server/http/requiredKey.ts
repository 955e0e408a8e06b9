let required: string | null = null

/** Has every request asked for a key from now on; the server does so at its start where others can reach it. */
export function requireKey(key: string): void {
  required = key
}

/** The key that requests must bring; null where none is asked for. */
export function requiredKey(): string | null {
  return required
}
