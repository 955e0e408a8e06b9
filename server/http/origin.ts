import { isIP } from 'node:net'

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]'])

/** The name in a Host header, without its port. */
function nameOf(host: string): string {
  return host.replace(/:\d+$/, '').toLowerCase()
}

/**
 * Whether a Host header names this server: a loopback name on a socket of this machine alone, the very address that the request
 * came to, or a name that was allowed.
 *
 * @param host the header
 * @param local address of this end of the connection: who comes over the network cannot be `localhost`
 * @param allowed names with a comma between them
 */
export function isOwnHost(
  host: string | undefined,
  local: string | undefined,
  allowed = '',
): boolean {
  if (!host) return false
  const names = allowed.split(',').map((name) => name.trim().toLowerCase())
  if (LOOPBACK.has(nameOf(host))) return isLoopback(local)
  // No name of elsewhere can be pointed at an address that is spelt out.
  const address = nameOf(host).replace(/^\[|\]$/g, '')
  if (isIP(address) && address === local?.replace('::ffff:', '')) return true
  return names.filter(Boolean).includes(nameOf(host))
}

/** Whether what a server listens on is reached from this machine alone; one that is told nothing listens on everything. */
export function isLoopbackName(name: string | undefined): boolean {
  return isLoopback(name) || name?.toLowerCase() === 'localhost'
}

/** Whether an address is one that only this machine has. */
export function isLoopback(address: string | undefined): boolean {
  return /^(::ffff:)?127\.|^::1$/.test(address ?? '')
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
