import type { H3Event } from 'h3'
import { requireBoundedJson } from './jsonBounds'
import { problem } from './problem'

/** Largest body of a request; a series of 20,000 values takes well under 1 MB. */
const MOST_BYTES = 25 * 1024 * 1024

/**
 * Reads the JSON body of a request, refusing one that is too large before it is all in memory.
 *
 * @throws HttpProblem 413 for too many bytes, 400 for what is no JSON
 */
export async function readJsonBody(event: H3Event): Promise<unknown> {
  const body = await readJsonBytes(event)
  return parseJson(body)
}

/** Reads the body of a request that is JSON as bytes, to be read elsewhere. @throws HttpProblem 413 for too many */
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
  if (Number(event.node.req.headers['content-length'] ?? 0) > most) throw tooLarge()
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > most) throw tooLarge()
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
}
