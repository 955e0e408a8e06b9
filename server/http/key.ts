import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'

/** Letters that a key of one's own has at least: it must not be found by trying. */
const SHORTEST = 16
/** Days after which the key is asked for again in a browser that has given it. */
const DAYS = 30
const DAY = 24 * 60 * 60 * 1000

/** The name of the cookie that says that a browser has given the key. */
export const COOKIE = 'elvant'

/** A key, and whether it was made just now. */
export interface Key {
  readonly key: string
  readonly isNew: boolean
}

/**
 * The key that is asked for where others than this machine can reach the server.
 *
 * @param given the one that was set, if any
 * @param file where one that was made is kept, beside the database
 * @throws Error in words for one that is too short
 */
export function keyFrom(given: string | undefined, file: string): Key {
  if (given !== undefined && given !== '') {
    if (given.length >= SHORTEST) return { key: given, isNew: false }
    throw new Error(`ELVANT_KEY is too short: give it ${SHORTEST} letters or more.`)
  }
  if (existsSync(file)) return { key: readFileSync(file, 'utf8').trim(), isNew: false }
  const key = randomBytes(18).toString('base64url')
  try {
    writeFileSync(file, `${key}\n`, { mode: 0o600 })
  } catch {
    // It is another one at the next start then.
  }
  return { key, isNew: true }
}

/** Whether what was given is the key; how long it takes tells nothing of how much of it is right. */
export function isKey(given: string, key: string): boolean {
  const digest = (text: string) => createHash('sha256').update(text).digest()
  return timingSafeEqual(digest(given), digest(key))
}

/** What a browser keeps that has given the key: when that was, signed by the key. @param now milliseconds */
export function cookieOf(key: string, now: number): string {
  return `${now}.${createHmac('sha256', key).update(String(now)).digest('base64url')}`
}

/** Whether a cookie was made with this key, and not too long ago. */
export function isCookie(cookie: string, key: string, now: number): boolean {
  const at = Number(cookie.split('.')[0])
  return Number.isFinite(at) && now - at < DAYS * DAY && isKey(cookie, cookieOf(key, at))
}

/** The line that has a browser keep a cookie: no script sees it, and no other page can have it sent. */
export function setCookie(cookie: string): string {
  return `${COOKIE}=${cookie}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${(DAYS * DAY) / 1000}`
}

/**
 * Whether a request brings the key: a browser by its cookie, a script in its header.
 *
 * @param headers `cookie` and `authorization` of the request
 */
export function bringsKey(
  headers: { readonly cookie?: string | undefined; readonly authorization?: string | undefined },
  key: string,
  now: number,
): boolean {
  const bearer = /^Bearer +(\S+)$/i.exec(headers.authorization ?? '')
  if (bearer) return isKey(bearer[1]!, key)
  const own = (headers.cookie ?? '')
    .split(';')
    .map((part) => part.trim())
    .find((part) => part.startsWith(`${COOKIE}=`))
  return own !== undefined && isCookie(own.slice(COOKIE.length + 1), key, now)
}
