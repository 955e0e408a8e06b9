import { setImmediate as nextTurn } from 'node:timers/promises'
import type { H3Event } from 'h3'
import { requireBoundedJson } from './jsonBounds'
import { problem } from './problem'

/** Largest body of a request; a series of 20,000 values takes well under 1 MB. */
const MOST_BYTES = 25 * 1024 * 1024

/** The body of a request that is JSON, as bytes. @throws HttpProblem 413 for too many, before they are all in memory */
export function readJsonBytes(event: H3Event): Promise<Buffer> {
  return readBytes(event, MOST_BYTES, 'Send fewer series at once.')
}

/** @throws HttpProblem 400 for what is no JSON, and for more levels or parts than any request has */
export function parseJson(body: Uint8Array): unknown {
  requireBoundedJson(body)
  try {
    return JSON.parse(Buffer.from(body).toString('utf8'))
  } catch (error) {
    throw problem(400, `The request is not JSON: ${(error as Error).message}.`)
  }
}

/** Bytes of room for a body whose length is not said. */
const FIRST_ROOM = 64 * 1024

function grown(bytes: Buffer, least: number): Buffer {
  const larger = Buffer.allocUnsafeSlow(Math.max(2 * bytes.length, least))
  bytes.copy(larger)
  return larger
}

/**
 * Reads the body of a request as bytes.
 *
 * @param most bytes that are taken
 * @param advice what to do when there are more
 * @throws HttpProblem 413 for too many bytes, before they are all in memory
 */
export async function readBytes(event: H3Event, most: number, advice: string): Promise<Buffer> {
  const tooLarge = () =>
    problem(413, `The request is larger than ${most / 1024 / 1024} MB. ${advice}`)
  const length = Number(event.node.req.headers['content-length'] ?? 0)
  if (length > most) throw tooLarge()
  // What comes is laid down at once: to put megabytes together at the end would hold everyone. Room that is not used takes none.
  let bytes: Buffer = Buffer.allocUnsafeSlow(length || FIRST_ROOM)
  let size = 0
  for await (const chunk of event.node.req as AsyncIterable<Buffer>) {
    if (size + chunk.length > most) throw tooLarge()
    if (size + chunk.length > bytes.length) bytes = grown(bytes, size + chunk.length)
    size += chunk.copy(bytes, size)
    // What waits goes on arriving: without a turn for others, several long bodies at once would be read in one.
    await nextTurn()
  }
  return size === bytes.length ? bytes : bytes.subarray(0, size)
}
