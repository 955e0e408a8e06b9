import { describe, expect, it } from 'vitest'
import { calendarOf } from '../calendar/calendar'
import { takeApart } from '../calculate'
import type { MethodDocument } from '../method'
import type { MethodOnSeries } from '../offers'
import { Refusal } from '../refusal'
import type { Series } from '../series/series'
import { partsOfWhole } from './parts'

const DOCUMENT: MethodDocument = {
  format: 'elvant-method/1',
  decompose: { by: 'ratio-to-moving-average', model: 'additive' },
}
/** Six years of quarters that begin so many quarters late: a level, growth, a season. */
function part(
  name: string,
  season: readonly number[],
  late = 0,
  more: Partial<Series> = {},
): MethodOnSeries {
  const series: Series = {
    ...{ name, unit: 'jobs', calendar: calendarOf('quarterly') },
    start: { cycle: 2018 + Math.floor(late / 4), season: 1 + (late % 4) },
    values: Array.from({ length: 24 - late }, (_, k) => {
      const i = k + late
      return 100 + 2 * i + season[i % 4]! + Math.sin(i * i)
    }),
    ...more,
  }
  return { series, document: DOCUMENT }
}
const north = part('North', [10, -5, -15, 10])
const south = part('South', [-20, 5, 25, -10])
const total = (...parts: MethodOnSeries[]): MethodOnSeries =>
  part('All', [], 0, {
    values: parts[0]!.series.values.map((_, i) =>
      parts.reduce((sum, { series }) => sum + series.values[i]!, 0),
    ),
  })

describe('parts of a whole', () => {
  it('that is on the Bench are the others, and additive averages add up exactly', () => {
    const whole = total(north, south)
    const laid = partsOfWhole(whole, [north, south])
    expect(laid).toMatchObject({ isWhole: true, names: ['North', 'South'], from: 1 })
    expect(laid.whole).toEqual(takeApart(whole.series, DOCUMENT).decomposed.deseasonalized)
    laid.whole.forEach((value, i) => expect(laid.parts[i]).toBeCloseTo(value!, 9))
  })

  it('of which the one on the Bench is one are added up to a whole', () => {
    const laid = partsOfWhole(north, [south])
    expect(laid).toMatchObject({ isWhole: false, names: ['North', 'South'] })
    laid.whole.forEach((value, i) => expect(laid.parts[i]).toBeCloseTo(value!, 9))
  })

  it('lie apart where seasons multiply', () => {
    const document: MethodDocument = {
      ...DOCUMENT,
      decompose: { by: 'iterated', model: 'multiplicative' },
    }
    const laid = partsOfWhole({ ...north, document }, [{ ...south, document }])
    const apart = laid.whole.map((value, i) => Math.abs(value! - laid.parts[i]!))
    expect(Math.max(...apart)).toBeGreaterThan(0.01)
    expect(Math.max(...apart)).toBeLessThan(10)
  })

  it('are laid on the axis of the series on the Bench, over the periods that all have', () => {
    const late = part('Late', [1, 2, 3, -6], 6)
    const laid = partsOfWhole(north, [late])
    expect(laid.from).toBe(7)
    expect(laid.parts).toHaveLength(18)
    expect(partsOfWhole(late, [north]).from).toBe(1)
  })

  it.each([
    ['nothing chosen', [], /Choose the series/],
    ['another unit', [part('Takings', [1, 2, 3, -6], 0, { unit: 'euros' })], /counted in euros/],
    [
      'other periods',
      [part('Monthly', [1, 2, 3, -6], 0, { calendar: calendarOf('monthly') })],
      /other periods/,
    ],
    [
      'no period in common',
      [part('Later', [1, 2, 3, -6], 0, { start: { cycle: 2040, season: 1 } })],
      /no period in common/,
    ],
  ] as const)('are refused in words: %s', (_, others, words) => {
    expect(() => partsOfWhole(north, others)).toThrow(Refusal)
    expect(() => partsOfWhole(north, others)).toThrow(words)
  })
})
