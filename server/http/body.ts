import type { H3Event } from 'h3'
import { problem } from './problem'

/** Largest body of a request; a series of 20,000 values takes well under 1 MB. */
const MOST_BYTES = 25 * 1024 * 1024

/**
 * Reads the JSON body of a request, refusing one that is too large before it is all in memory.
 *
 * @throws HttpProblem 413 for too many bytes, 400 for what is no JSON
 */
export async function readJsonBody(event: H3Event): Promise<unknown> {
  const tooLarge = () =>
    problem(
      413,
      `The request is larger than ${MOST_BYTES / 1024 / 1024} MB. Send fewer series at once.`,
    )
  if (Number(event.node.req.headers['content-length'] ?? 0) > MOST_BYTES) throw tooLarge()
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > MOST_BYTES) throw tooLarge()
    chunks.push(chunk)
  }
  try {
    return JSON.parse(Buffer.concat(chunks).toString('utf8'))
  } catch (error) {
    throw problem(400, `The request is not JSON: ${(error as Error).message}.`)
  }
}
