import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, expect, it } from 'vitest'
import { bringsKey, cookieOf, isCookie, isKey, keyFrom, setCookie } from './key'

const KEY = 'a key of one’s own'
const DAY = 24 * 60 * 60 * 1000
const NOW = Date.UTC(2026, 0, 1)

let folder: string
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'elvant-key-'))))
afterEach(() => rmSync(folder, { recursive: true, force: true }))

it('is made once, told once, and kept for nobody else to read', () => {
  const file = join(folder, 'elvant.sqlite.key')
  const made = keyFrom(undefined, file)
  expect(made.isNew).toBe(true)
  expect(made.key).toMatch(/^[\w-]{24}$/)
  expect(statSync(file).mode & 0o077).toBe(0)
  expect(keyFrom('', file)).toEqual({ key: made.key, isNew: false })
  expect(keyFrom(undefined, join(folder, 'other.key')).key).not.toBe(made.key)
})

it('can be one of one’s own, which is not short', () => {
  expect(keyFrom(KEY, join(folder, 'none'))).toEqual({ key: KEY, isNew: false })
  expect(() => keyFrom('short', join(folder, 'none'))).toThrow(/ELVANT_KEY is too short/)
})

it('is brought by a browser that has given it, for a time, and by a script', () => {
  const cookie = cookieOf(KEY, NOW)
  expect(isCookie(cookie, KEY, NOW + 29 * DAY)).toBe(true)
  expect(isCookie(cookie, KEY, NOW + 31 * DAY)).toBe(false)
  expect(isCookie(cookie, 'another key of one’s own', NOW)).toBe(false)
  const later = `${NOW + 20 * DAY}.${cookie.split('.')[1]!}`
  for (const forged of [later, '', '.', `${NOW}`, `${NOW}.`, `NaN.${cookie}`, 'x'.repeat(9000)]) {
    expect(isCookie(forged, KEY, NOW)).toBe(false)
  }
  expect(bringsKey({ cookie: `theme=dark; elvant=${cookie}` }, KEY, NOW)).toBe(true)
  expect(bringsKey({ cookie: `myelvant=${cookie}` }, KEY, NOW)).toBe(false)
  expect(bringsKey({ authorization: 'Bearer abc' }, 'abc', NOW)).toBe(true)
  expect(bringsKey({ authorization: 'Bearer abd', cookie: `elvant=${cookie}` }, KEY, NOW)).toBe(
    false,
  )
  expect(bringsKey({}, KEY, NOW)).toBe(false)
  expect(isKey(KEY.slice(0, -1), KEY)).toBe(false)
  expect(setCookie(cookie)).toMatch(/; HttpOnly; SameSite=Strict/)
})
