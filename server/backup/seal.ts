import { createHash } from 'node:crypto'
import { appendFileSync, closeSync, fstatSync, openSync, readSync, truncateSync } from 'node:fs'
import { Refusal } from '../../core/refusal'

/** What a backup ends with: these words, then the digest of all that stands before them. */
const WORDS = Buffer.from('\nelvant-backup/1 sha-256 ')
const DIGEST = 64
const SEAL = WORDS.length + DIGEST
/** Bytes that are read at once. */
const PIECE = 1024 * 1024

/** Writes the digest of a file at its end, so that one changed bit is noticed. */
export function seal(path: string): void {
  appendFileSync(path, Buffer.concat([WORDS, Buffer.from(digestOf(path, sizeOf(path)))]))
}

/**
 * Checks the digest at the end of a file, and takes it off.
 *
 * @param path of a copy: it is cut
 * @throws Refusal for a file without one, and for one that was changed or cut since
 */
export function unseal(path: string): void {
  const size = sizeOf(path) - SEAL
  const end = size > 0 ? read(path, size, SEAL) : Buffer.alloc(0)
  if (!end.subarray(0, WORDS.length).equals(WORDS)) {
    throw new Refusal(
      'This file is no backup of Elvant, or only a part of one; nothing was changed.',
      'backup',
    )
  }
  if (end.subarray(WORDS.length).toString('latin1') !== digestOf(path, size)) {
    throw new Refusal('The backup is damaged; nothing was changed.', 'backup')
  }
  truncateSync(path, size)
}

function sizeOf(path: string): number {
  return withFile(path, (file) => fstatSync(file).size)
}

function read(path: string, from: number, length: number): Buffer {
  const bytes = Buffer.alloc(length)
  return withFile(path, (file) => bytes.subarray(0, readSync(file, bytes, 0, length, from)))
}

/** In hexadecimal, of the first `size` bytes, read piece by piece. */
function digestOf(path: string, size: number): string {
  const hash = createHash('sha256')
  const piece = Buffer.alloc(PIECE)
  withFile(path, (file) => {
    for (let at = 0; at < size;) {
      const count = readSync(file, piece, 0, Math.min(PIECE, size - at), at)
      if (count === 0) break
      hash.update(piece.subarray(0, count))
      at += count
    }
  })
  return hash.digest('hex')
}

function withFile<T>(path: string, use: (file: number) => T): T {
  const file = openSync(path, 'r')
  try {
    return use(file)
  } finally {
    closeSync(file)
  }
}
