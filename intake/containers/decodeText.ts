/** A text with the encoding it was written in. */
export interface DecodedText {
  readonly text: string
  readonly encoding: 'UTF-8' | 'UTF-16' | 'Windows-1252'
}

/**
 * Decodes the bytes of a text file: by its byte-order mark, else as UTF-8 when they are valid UTF-8, else
 * as Windows-1252, in which every byte means something. UTF-16 without a mark is known by its zeros.
 */
export function decodeText(bytes: Uint8Array): DecodedText {
  const [a, b, c] = bytes
  if (a === 0xff && b === 0xfe) return utf16(bytes.subarray(2), 'utf-16le')
  if (a === 0xfe && b === 0xff) return utf16(bytes.subarray(2), 'utf-16be')
  if (a === 0xef && b === 0xbb && c === 0xbf) {
    return { text: decode(bytes.subarray(3), 'utf-8'), encoding: 'UTF-8' }
  }
  const zeros = zerosInSample(bytes)
  if (zeros.odd > 0.3 && zeros.even < 0.1) return utf16(bytes, 'utf-16le')
  if (zeros.even > 0.3 && zeros.odd < 0.1) return utf16(bytes, 'utf-16be')
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes)
    return { text, encoding: 'UTF-8' }
  } catch {
    return { text: decodeWindows1252(bytes), encoding: 'Windows-1252' }
  }
}

function utf16(bytes: Uint8Array, label: 'utf-16le' | 'utf-16be'): DecodedText {
  return { text: decode(bytes, label), encoding: 'UTF-16' }
}

function decode(bytes: Uint8Array, label: string): string {
  return new TextDecoder(label, { ignoreBOM: true }).decode(bytes)
}

/** What the bytes 0x80 to 0x9F mean; those without a meaning stay what they are. */
const HIGH = '€\x81‚ƒ„…†‡ˆ‰Š‹Œ\x8DŽ\x8F\x90‘’“”•–—˜™š›œ\x9DžŸ'

/** By hand: some runtimes decode this label as Latin-1, where € is a control character. */
function decodeWindows1252(bytes: Uint8Array): string {
  let text = ''
  for (let at = 0; at < bytes.length; at += 8192) {
    text += String.fromCharCode(...bytes.subarray(at, at + 8192))
  }
  return text.replace(/[\x80-\x9F]/g, (letter) => HIGH[letter.charCodeAt(0) - 0x80]!)
}

/** Shares of zero bytes at even and odd places of the first bytes. */
function zerosInSample(bytes: Uint8Array): { even: number; odd: number } {
  const size = Math.min(bytes.length, 1000)
  const counts = [0, 0]
  for (let i = 0; i < size; i++) if (bytes[i] === 0) counts[i % 2]!++
  const half = Math.max(1, size / 2)
  return { even: counts[0]! / half, odd: counts[1]! / half }
}
