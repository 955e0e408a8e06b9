import { Readable, Writable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip } from 'node:zlib'
import { problem } from '../http/problem'

/** Bytes that a file may unpack to; what intake reads is less. */
const MOST_BYTES = 1024 ** 3

/** @throws HttpProblem 400 for what cannot be unpacked, 413 for what unpacks to more than can be read */
export async function requireGzip(packed: Buffer): Promise<void> {
  let size = 0
  const counted = new Writable({
    write(piece: Buffer, _, done) {
      size += piece.length
      done(size > MOST_BYTES ? problem(413, 'The file unpacks to more than 1 GB. Split it.') : null)
    },
  })
  try {
    await pipeline(Readable.from([packed]), createGunzip(), counted)
  } catch (error) {
    if (size > MOST_BYTES) throw error
    throw problem(400, 'The body must be the file, packed by gzip; it cannot be unpacked.')
  }
}
