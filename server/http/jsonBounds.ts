import { problem } from './problem'

/** Levels of lists and objects within one another; no document here has more than a dozen. */
const MOST_LEVELS = 40
/** Lists and objects in all, and what stands in them: far more than 12,000 series have. */
const MOST_PARTS = 300_000
const MOST_ENTRIES = 4_000_000

const QUOTE = 0x22
const BACKSLASH = 0x5c
const COMMA = 0x2c
const OPEN = new Set([0x5b, 0x7b])
const CLOSE = new Set([0x5d, 0x7d])

/**
 * Refuses JSON that is made to be hard to read, before it is read: a few megabytes of brackets would hold the server for seconds,
 * and take gigabytes.
 *
 * @param body of a request
 * @throws HttpProblem 400 for levels, 413 for parts, that no request has
 */
export function requireBoundedJson(body: Uint8Array): void {
  let level = 0
  let parts = 0
  let entries = 0
  for (let at = 0; at < body.length; at++) {
    const byte = body[at]!
    if (byte === QUOTE) {
      at = endOfText(body, at)
    } else if (OPEN.has(byte)) {
      parts++
      if (++level > MOST_LEVELS)
        throw problem(400, `The request has lists or objects more than ${MOST_LEVELS} deep.`)
    } else if (CLOSE.has(byte)) {
      level--
    } else if (byte === COMMA) {
      entries++
    }
    if (parts > MOST_PARTS || entries > MOST_ENTRIES)
      throw problem(413, 'The request has too many parts. Send fewer series at once.')
  }
}

/** The place of the quotation mark that ends a text; the end of the body where none does. */
function endOfText(body: Uint8Array, from: number): number {
  for (let at = from + 1; at < body.length; at++) {
    if (body[at] === BACKSLASH) at++
    else if (body[at] === QUOTE) return at
  }
  return body.length
}
