import type { Cell } from '../grid'

/** Which mark stands before the decimals; the other one may part thousands. */
export type DecimalMark = 'point' | 'comma'

/** What one value cell holds. */
export type NumberReading =
  | {
      readonly kind: 'number'
      /** In full: `1.2k` is 1200. */
      readonly value: number
      readonly unit: string
      /** The word that was multiplied by, such as `k`. */
      readonly multiple?: string
      /** What stands behind the number and is no part of it: a star, a raised figure, `(p)`. */
      readonly mark?: string
    }
  | {
      readonly kind: 'missing'
      /** Whether it is written as a dash, which can also stand for zero. */
      readonly isDash: boolean
    }
  | { readonly kind: 'unreadable'; readonly because: string }

const MISSING = new Set(
  ['', '-', '--', '–', '—', '.', '..', '...', '…', '?', '*', 'x']
    .concat(['na', 'n/a', 'n.a.', '#n/a', '#na', 'nan', 'null', 'nil', 'none', 'missing', 'blank'])
    .concat(['k.a.', 'k. a.', 'n.d.', 'nd', 'n/d', 's/d', 's.d.', 'n.v.', '(blank)', '<na>']),
)

const SPACES = /[\u00A0\u2007\u2009\u202F]/g
const SIGN = /[\u2212\u2013\uFE63\uFF0D]/g
const CURRENCY = String.raw`R\$|[\p{Sc}]|T€|TEUR|EUR|USD|GBP|CHF|JPY|CAD|AUD|SEK|NOK|DKK|PLN|CZK|BRL|HUF|RON|kr\.?|zł|Kč|Ft|Fr\.`
const UNIT = String.raw`%|‰|${CURRENCY}|\p{L}[\p{L}²³/]*\.?`
const SHAPE = new RegExp(
  String.raw`^([+-]?) ?(${CURRENCY})? ?([+-]?) ?([\d.,' ’]*\d[.,]?) ?(-?) ?(${UNIT})?$`,
  'u',
)
/** Thousands never begin with a zero: 0.234 is less than one. Indian grouping has twos before the last three. */
const BODY = {
  point: /^(?:[1-9]\d{0,2}(?:([, '’])\d{3})(?:\1\d{3})*|[1-9]\d?(?:,\d{2})+,\d{3}|\d+)?(?:\.\d*)?$/,
  comma: /^(?:[1-9]\d{0,2}(?:([. '’])\d{3})(?:\1\d{3})*|\d+)?(?:,\d*)?$/,
} as const
/** Behind a number: stars and crosses, raised figures, a letter or figure in brackets. */
const MARK = /(?<=\d.*)\s*([*†‡§]+|[¹²³⁰⁴-⁹]+|\([a-z]\)|\[\w{1,3}\]|\^\d)$/u

/** The same stars and crosses before a number. */
const LEADING_MARK = /^([*†‡§]+)\s*(?=[\d(+-])/

/** Words behind a number that multiply it. */
const MULTIPLES: readonly (readonly [words: RegExp, times: number])[] = [
  [/^(k|t|tsd\.?|thousands?|tausend|mille|mil)$/i, 1e3],
  [/^(lakhs?|lacs?)$/i, 1e5],
  [/^crores?$/i, 1e7],
  [/^(m|mn|mln|mio\.?|millions?|millionen|millones)$/i, 1e6],
  [/^(bn|mrd\.?|billions?|milliarden|milliards?)$/i, 1e9],
]
/** Of them those that can also be a unit: metres, tonnes. */
export const DOUBTFUL_MULTIPLE = /^(m|t|mil)$/i

/**
 * Reads one cell as a number, with thousands marks, currency or per cent signs, a trailing unit, and
 * parentheses or a trailing minus for negatives; or as one of the usual marks for missing.
 *
 * Infinity, hexadecimal and words are no numbers. `1,234` depends on the decimal mark.
 *
 * @param decimal the decimal mark of the column; a number typed by its container needs none
 * @example readNumber('(1.234,50 €)', 'comma') // { kind: 'number', value: -1234.5, unit: '€' }
 */
export function readNumber(cell: Cell, decimal: DecimalMark): NumberReading {
  if (typeof cell === 'number') return { kind: 'number', value: cell, unit: '' }
  // A remark of pages would be gone through again and again by the expressions below.
  if (cell.length > LONGEST) return unreadable('is not a number')
  // Most cells are digits alone, and files have millions of them.
  if (DIGITS[decimal].test(cell)) return { kind: 'number', value: Number(cell), unit: '' }
  // An apostrophe before a number makes it text for a spreadsheet.
  const text = cell
    .replace(SPACES, ' ')
    .trim()
    .replace(/^'(?=[\d(+-])/, '')
  if (MISSING.has(text.toLowerCase())) return { kind: 'missing', isDash: DASH.test(text) }
  const behind = MARK.exec(text)
  const before = LEADING_MARK.exec(text)
  const mark = behind ?? before
  const unmarked = text.slice(before?.[0].length ?? 0, behind?.index)
  const read = readPlain(unmarked.replace(SIGN, '-'), decimal)
  return mark && read.kind === 'number' ? { ...read, mark: mark[1]! } : read
}
/** Characters of a number with its unit and marks at the most. */
const LONGEST = 100
/** What has one meaning only; with a comma for a mark, digits alone. */
const DIGITS = { point: /^\d{1,15}(?:\.\d{1,10})?$/, comma: /^\d{1,15}$/ } as const
const DASH = /^(-|--|–|—)$/

/** Reads a text without marks, its minus being a hyphen. */
function readPlain(plain: string, mark: DecimalMark): NumberReading {
  const power = EXPONENTIAL.exec(plain)
  if (power) return exponential(power[1]!, power[2] ?? '', mark)
  const inParentheses = IN_PARENTHESES.exec(plain)
  const match = SHAPE.exec(
    inParentheses
      ? [inParentheses[1], inParentheses[2]!.trim(), inParentheses[3]].join('').trim()
      : plain,
  )
  if (!match) return unreadable('is not a number')
  const [, before, currency, inner, digits, after, behind] = match
  const signs = [before, inner, after, inParentheses ? '-' : ''].filter((sign) => sign !== '')
  if (signs.length > 1) return unreadable('has more than one sign')
  const body = digits!.trim()
  if (!BODY[mark].test(body)) return unreadable('is not a number with thousands and decimals')
  const size = Number(body.replace(mark === 'point' ? /[, '’]/g : /[. '’]/g, '').replace(',', '.'))
  if (!Number.isFinite(size)) return unreadable('is larger than any number can be here')
  const times = MULTIPLES.find(([words]) => words.test(behind ?? ''))?.[1]
  const whole = times === undefined ? size : Number((size * times).toPrecision(15))
  return {
    kind: 'number',
    // No −0: a series does not tell it from 0.
    value: signs.includes('-') && whole !== 0 ? -whole : whole,
    unit: (times === undefined ? behind : undefined) ?? currency ?? '',
    ...(times === undefined ? {} : { multiple: behind! }),
  }
}
/** Brackets for a negative number, with the currency within or without. */
const IN_PARENTHESES = new RegExp(
  String.raw`^((?:${CURRENCY})? ?)\((.*)\)( ?(?:${CURRENCY})?)$`,
  'u',
)

/** With a letter behind it that marks a figure. */
const EXPONENTIAL = /^([+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)e[+-]?\d+) ?([a-z])?$/i

function exponential(text: string, unit: string, mark: DecimalMark): NumberReading {
  if (text.includes(mark === 'point' ? ',' : '.')) return unreadable('is not a number')
  const value = Number(text.replace(',', '.'))
  return Number.isFinite(value)
    ? { kind: 'number', value, unit }
    : unreadable('is larger than any number can be here')
}

function unreadable(because: string): NumberReading {
  return { kind: 'unreadable', because }
}
