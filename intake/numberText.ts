const MISSING = new Set(['', '-', '–', '.', '..', 'na', 'n/a', '#n/a', 'null', 'none', 'missing'])

/** What one value cell holds. */
export type NumberReading =
  | { readonly kind: 'number'; readonly value: number }
  | { readonly kind: 'missing' }
  | { readonly kind: 'unreadable'; readonly because: string }

/**
 * Reads one cell as a number with a decimal point, or as one of the usual marks for missing.
 *
 * A comma could mean thousands or decimals and is not guessed at; infinity, hexadecimal and words
 * are no numbers.
 *
 * @example readNumber('48210.5') // { kind: 'number', value: 48210.5 }
 */
export function readNumber(text: string): NumberReading {
  if (MISSING.has(text.toLowerCase())) return { kind: 'missing' }
  if (/^[+-]?(\d+(\.\d*)?|\.\d+)(e[+-]?\d+)?$/i.test(text)) {
    const value = Number(text)
    if (Number.isFinite(value)) return { kind: 'number', value }
    return { kind: 'unreadable', because: 'is larger than any number can be here' }
  }
  if (/^[+-]?[\d.,\s']+$/.test(text)) {
    return {
      kind: 'unreadable',
      because:
        'could be read in more than one way; write numbers without thousands marks and with a decimal point, 1234.5',
    }
  }
  return { kind: 'unreadable', because: 'is not a number' }
}
