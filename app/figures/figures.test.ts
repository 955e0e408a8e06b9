import { afterEach, describe, expect, it } from 'vitest'
import { changeOnYear } from '../shelf/changeOnYear'
import { smallPath } from '../shelf/smallPath'
import { chosenLocale } from './locale'
import { displayScale, withUnit } from '~~/core/words/displayScale'
import { formatChange, formatDecimals, formatFigure, formatP, inReadersFigures } from './format'

describe('figures in the reader’s locale', () => {
  it('show about five digits', () => {
    expect([48210.4, 43_529, 1.26664, 0.62, 0.0123456, 0.000012345, 0].map(formatFigure)).toEqual([
      '48,210',
      '43,529',
      '1.2666',
      '0.6200',
      '0.01235',
      '0.00001235',
      '0',
    ])
  })

  it('use a real minus, and none for what rounds to zero', () => {
    expect(formatDecimals(-12.34, 1)).toBe('−12.3')
    expect(formatDecimals(-0.04, 1)).toBe('0.0')
    expect(formatChange(-0.31)).toBe('−0.3%')
    expect(formatChange(4)).toBe('+4.0%')
    expect(formatChange(0.04)).toBe('0.0%')
    expect(formatChange(0)).toBe('0%')
    expect(formatFigure(3e-13)).toBe('0')
  })

  it('do not print a small p as 0', () => {
    expect(formatP(0.03)).toBe('0.0300')
    expect(formatP(1e-30)).toBe('< 0.0001')
  })
})

describe('a sentence of the core', () => {
  afterEach(() => (chosenLocale.value = null))

  it('has its figures as the reader writes them, codes and lists left alone', () => {
    const text = 'Off by 1,234.5 litres (0.07), lags 3, 12 of 120; 12,000,000 in 2024-01.'
    expect(inReadersFigures(text)).toBe(text)
    chosenLocale.value = 'de-DE'
    expect(inReadersFigures(text)).toBe(
      'Off by 1.234,5 litres (0,07), lags 3, 12 of 120; 12.000.000 in 2024-01.',
    )
    expect(formatDecimals(-1234.5, 1)).toBe('−1.234,5')
  })
})

describe('the display scale', () => {
  it.each([
    [[54], 1, 'jobs', 1, 0],
    [[54.5], 1, 'jobs', 1, 1],
    [[5200], 1, 'jobs', 0, 0],
    [[48_210], 1000, 'thousand jobs', 1, 1],
    [[-48_210_000], 1e6, 'million jobs', 1, 1],
    [[0.5], 1, 'jobs', 3, 3],
    [[0.00012], 1, 'jobs', 6, 6],
    [[null], 1, 'jobs', 0, 0],
  ])('of %j', (values, divisor, unit, decimals, valueDecimals) => {
    expect(displayScale(values, 'jobs')).toMatchObject({ divisor, unit, decimals, valueDecimals })
  })

  it('of a series without a unit names thousands alone, and leaves no blank behind a figure', () => {
    const thousands = displayScale([48_210], '')
    expect(withUnit('48.2', thousands)).toBe('48.2 thousand')
    expect(withUnit('54', displayScale([54], ''))).toBe('54')
  })
})

describe('the change on the year before', () => {
  const last = (value: number, yearBefore: number | null) => ({
    ...{ last: { period: '2025-12', value, yearBefore }, unit: 'litres' },
  })

  it('is in per cent; of per cent, and over a base that is not above 0, the difference', () => {
    expect(changeOnYear(last(110, 100))!.by).toBeCloseTo(10, 12)
    expect(changeOnYear(last(110, null))).toBeNull()
    // Over nothing, or across it, a share would mislead.
    expect(changeOnYear(last(110, 0))).toEqual({ by: 110, in: 'units' })
    expect(changeOnYear(last(-5, 6))).toEqual({ by: -11, in: 'units' })
    expect(changeOnYear({ ...last(7.5, 7), unit: '%' })).toEqual({ by: 0.5, in: 'points' })
    expect(changeOnYear({ last: null, unit: '' })).toBeNull()
  })
})

describe('small charts', () => {
  it('break at a gap and dot a value between two', () => {
    expect(smallPath([1, 2, null, 3, null, 1, 1], 60, 20).match(/[ML]/g)!.join('')).toBe('MLMML')
    expect(smallPath([1, null, 3], 60, 20)).toContain('h0.1')
  })

  it('draw nothing of nothing', () => {
    expect(smallPath([null, null], 60, 20)).toBe('')
    expect(smallPath([], 60, 20)).toBe('')
  })
})
