import { monthByName } from '../periods/monthNames'

/** A text with the encoding it was written in. */
export interface DecodedText {
  readonly text: string
  readonly encoding: 'UTF-8' | 'UTF-16' | 'Windows-1250' | 'Windows-1252'
}

/**
 * Decodes the bytes of a text file: by its byte-order mark, else as UTF-8 when they are valid UTF-8, else
 * as Windows-1252, in which every byte means something, or as Windows-1250, where its words are those of Central Europe. UTF-16
 * without a mark is known by its zeros.
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
    return decodeByWords(bytes)
  }
}

/** A digit that is raised, or a question mark upside down, within a word: `miesi¹c`, which is `miesiąc`. */
const BROKEN = /\p{L}[¹³¿]\p{L}|[¹³]\p{L}{2}/u
/** Letters that both code pages have for Czech and its neighbours, and those they have of them in 1252 alone. */
const [CARONS, GRAVES] = [/[šžŠŽ]/, /[ìøùèòï]/]
/** Letters that tell a code page. */
const SAMPLE_BYTES = 200_000

/** One of two code pages, by which its months have names, and its words letters. */
function decodeByWords(bytes: Uint8Array): DecodedText {
  const western = decodeWindows1252(bytes)
  const sample = western.slice(0, SAMPLE_BYTES)
  const central = decode(bytes.subarray(0, SAMPLE_BYTES), 'windows-1250')
  const [a, b] = [monthsIn(central), monthsIn(sample)]
  const isCentral =
    a === b ? BROKEN.test(sample) || (CARONS.test(sample) && GRAVES.test(sample)) : a > b
  return isCentral
    ? { text: decode(bytes, 'windows-1250'), encoding: 'Windows-1250' }
    : { text: western, encoding: 'Windows-1252' }
}

/** How many months are named by words with letters that are not those of English. */
function monthsIn(text: string): number {
  const words = new Set(text.match(/\p{L}*[^\p{ASCII}\P{L}]\p{L}*/gu))
  return [...words].filter((word) => word.length < 20 && monthByName(word) !== null).length
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
