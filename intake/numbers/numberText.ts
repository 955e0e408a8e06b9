import type { Cell } from '../grid'

/** Which mark stands before the decimals; the other one may part thousands. */
export type DecimalMark = 'point' | 'comma'

/** What one value cell holds. */
export type NumberReading =
  | { readonly kind: 'number'; readonly value: number; readonly unit: string }
  | { readonly kind: 'missing' }
  | { readonly kind: 'unreadable'; readonly because: string }

const MISSING = new Set(
  ['', '-', '--', '–', '—', '.', '..', '...', '…', '?', '*', 'x']
    .concat(['na', 'n/a', 'n.a.', '#n/a', '#na', 'nan', 'null', 'nil', 'none', 'missing', 'blank'])
    .concat(['k.a.', 'k. a.', 'n.d.', 'nd', 'n/d', 's/d', 's.d.', 'n.v.', '(blank)', '<na>']),
)

const SPACES = /[\u00A0\u2007\u2009\u202F]/g
const SIGN = /[\u2212\u2013\uFE63\uFF0D]/g
const CURRENCY = String.raw`[\p{Sc}]|EUR|USD|GBP|CHF|JPY|CAD|AUD|SEK|NOK|DKK|PLN|CZK|kr\.?|zł|Fr\.`
const UNIT = String.raw`%|‰|${CURRENCY}|\p{L}[\p{L}²³/]*\.?`
const SHAPE = new RegExp(
  String.raw`^([+-]?) ?(${CURRENCY})? ?([+-]?) ?([\d.,' ’]*\d[.,]?) ?(-?) ?(${UNIT})?$`,
  'u',
)
const BODY = {
  point: /^(?:\d{1,3}(?:([, '’])\d{3})(?:\1\d{3})*|\d+)?(?:\.\d*)?$/,
  comma: /^(?:\d{1,3}(?:([. '’])\d{3})(?:\1\d{3})*|\d+)?(?:,\d*)?$/,
} as const

/** Words behind a number that change its size; their number is not guessed at. */
const MULTIPLES = /^(k|m|mn|mio\.?|million(en|s)?|t|tsd\.?|bn|mrd\.?|thousand|tausend|mille|mil)$/i

/**
 * Reads one cell as a number, with thousands marks, currency or per cent signs, a trailing unit, and
 * parentheses or a trailing minus for negatives; or as one of the usual marks for missing.
 *
 * Infinity, hexadecimal and words are no numbers. `1,234` depends on the decimal mark.
 *
 * @param mark the decimal mark of the column; a number typed by its container needs none
 * @example readNumber('(1.234,50 €)', 'comma') // { kind: 'number', value: -1234.5, unit: '€' }
 */
export function readNumber(cell: Cell, mark: DecimalMark): NumberReading {
  if (typeof cell === 'number') return { kind: 'number', value: cell, unit: '' }
  const text = cell.replace(SPACES, ' ').trim()
  if (MISSING.has(text.toLowerCase())) return { kind: 'missing' }
  const plain = text.replace(SIGN, '-')
  if (/^[+-]?(\d+([.,]\d*)?|[.,]\d+)e[+-]?\d+$/i.test(plain)) return exponential(plain, mark)
  const inParentheses = /^\((.*)\)$/.exec(plain)
  const match = SHAPE.exec(inParentheses ? inParentheses[1]!.trim() : plain)
  if (!match) return unreadable('is not a number')
  const [, before, currency, inner, digits, after, behind] = match
  const signs = [before, inner, after, inParentheses ? '-' : ''].filter((sign) => sign !== '')
  if (signs.length > 1) return unreadable('has more than one sign')
  if (behind && MULTIPLES.test(behind)) {
    return unreadable(`could mean a multiple by "${behind}"; write the whole number`)
  }
  const body = digits!.trim()
  if (!BODY[mark].test(body)) return unreadable('is not a number with thousands and decimals')
  const size = Number(body.replace(mark === 'point' ? /[, '’]/g : /[. '’]/g, '').replace(',', '.'))
  if (!Number.isFinite(size)) return unreadable('is larger than any number can be here')
  return {
    kind: 'number',
    // No −0: a series does not tell it from 0.
    value: signs.includes('-') && size !== 0 ? -size : size,
    unit: behind ?? currency ?? '',
  }
}

function exponential(text: string, mark: DecimalMark): NumberReading {
  if (text.includes(mark === 'point' ? ',' : '.')) return unreadable('is not a number')
  const value = Number(text.replace(',', '.'))
  return Number.isFinite(value)
    ? { kind: 'number', value, unit: '' }
    : unreadable('is larger than any number can be here')
}

function unreadable(because: string): NumberReading {
  return { kind: 'unreadable', because }
}
