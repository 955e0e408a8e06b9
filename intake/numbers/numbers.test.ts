import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { decimalMark } from './decimalMark'
import { readNumber, type DecimalMark } from './numberText'

function value(text: string, mark: DecimalMark): number | string {
  const read = readNumber(text, mark)
  return read.kind === 'number' ? read.value : read.kind
}

describe('a number written', () => {
  it.each<[string, number | string, number | string]>([
    ['1234', 1234, 1234],
    ['1,234', 1234, 1.234],
    ['1.234', 1.234, 1234],
    ['1,234.50', 1234.5, 'unreadable'],
    ['1.234,50', 'unreadable', 1234.5],
    ['1 234 567', 1234567, 1234567],
    ['1\u202F234,5', 'unreadable', 1234.5],
    ["1'234'567.8", 1234567.8, 'unreadable'],
    ['1.234.567', 'unreadable', 1234567],
    ['1,23,456', 123456, 'unreadable'],
    ['12,34,567.5', 1234567.5, 'unreadable'],
    ['0.234', 0.234, 'unreadable'],
    ['0,234', 'unreadable', 0.234],
    ['$(7.50)', -7.5, 'unreadable'],
    ['60*', 60, 60],
    ['60 (p)', 60, 60],
    ['60¹', 60, 60],
    ["'60", 60, 60],
    ['1.2 thousand', 1200, 'unreadable'],
    ['12,34', 'unreadable', 12.34],
    ['.5', 0.5, 'unreadable'],
    ['-7', -7, -7],
    ['−7', -7, -7],
    ['7-', -7, -7],
    ['(7)', -7, -7],
    ['(€ 7)', -7, -7],
    ['-(7)', 'unreadable', 'unreadable'],
    ['(-7)', 'unreadable', 'unreadable'],
    ['+7', 7, 7],
    ['-0', 0, 0],
    ['$1,000', 1000, 1],
    ['1.000 €', 1, 1000],
    ['EUR 12', 12, 12],
    ['12 kg', 12, 12],
    ['12.5%', 12.5, 'unreadable'],
    ['1e3', 1000, 1000],
    ['1e999', 'unreadable', 'unreadable'],
    ['5k', 5000, 5000],
    ['3 Mio', 3e6, 3e6],
    ['0x1F', 'unreadable', 'unreadable'],
    ['Infinity', 'unreadable', 'unreadable'],
    ['١٢٣', 'unreadable', 'unreadable'],
    ['about 5', 'unreadable', 'unreadable'],
    ['5 or 6', 'unreadable', 'unreadable'],
    ['#DIV/0!', 'unreadable', 'unreadable'],
    ['', 'missing', 'missing'],
    ['n/a', 'missing', 'missing'],
    ['k.A.', 'missing', 'missing'],
    ['–', 'missing', 'missing'],
    ['NaN', 'missing', 'missing'],
  ])('%s is %s with a decimal point and %s with a comma', (text, point, comma) => {
    expect([value(text, 'point'), value(text, 'comma')]).toEqual([point, comma])
  })

  it('comes back from any way of writing it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1e9, max: 1e9 }),
        fc.nat(99),
        fc.constantFrom(
          ['point', '.', ','],
          ['point', '.', ' '],
          ['comma', ',', '.'],
          ['comma', ',', "'"],
        ),
        (whole, cents, [mark, decimal, thousands]) => {
          const digits = Math.abs(whole)
            .toString()
            .replace(/\B(?=(\d{3})+$)/g, thousands!)
          const text = `${whole < 0 ? '-' : ''}${digits}${decimal}${String(cents).padStart(2, '0')}`
          const expected = (Math.abs(whole) + cents / 100) * (whole < 0 ? -1 : 1)
          expect(value(text, mark as DecimalMark)).toBeCloseTo(expected, 6)
        },
      ),
    )
  })
})

describe('the decimal mark of a column', () => {
  it.each<[string[], DecimalMark | null]>([
    [['1,234', '2,5'], 'comma'],
    [['1,234', '2.5'], 'point'],
    [['1,234', '12,345'], null],
    [['1.234', '12.345'], null],
    [['1234', '5', 'n/a'], 'point'],
    [['1.234,5'], 'comma'],
    [['1,234,567'], 'point'],
  ])('%j is %s', (cells, mark) => {
    expect(decimalMark(cells).mark).toBe(mark)
  })

  it('is not asked of numbers that their container typed', () => {
    expect(decimalMark([1.234, 12.345])).toEqual({ mark: 'point', doubtful: null })
  })
})
