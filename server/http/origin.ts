const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]'])

/** The name in a Host header, without its port. */
function nameOf(host: string): string {
  return host.replace(/:\d+$/, '').toLowerCase()
}

/**
 * Whether a Host header names this server: a loopback name, or one that was allowed.
 *
 * @param host the header
 * @param allowed names with a comma between them
 */
export function isOwnHost(host: string | undefined, allowed = ''): boolean {
  if (!host) return false
  const names = allowed.split(',').map((name) => name.trim().toLowerCase())
  return LOOPBACK.has(nameOf(host)) || names.filter(Boolean).includes(nameOf(host))
}

/** Whether a request comes from a page of this server, or from no page at all. */
export function isSameOrigin(origin: string | undefined, host: string): boolean {
  if (origin === undefined) return true
  try {
    return new URL(origin).host === host.toLowerCase()
  } catch {
    return false
  }
}
