import fc from 'fast-check'
import { expect, it } from 'vitest'
import { decimalsApart, valueMarks } from './valueMarks'

it('begins and ends with an easy mark around the range', () => {
  expect(valueMarks({ low: 3, high: 18 }, 5)).toEqual({ low: 0, high: 20, at: [0, 5, 10, 15, 20] })
  expect(valueMarks({ low: 0.93, high: 1.06 }, 4).at.map((at) => at.toFixed(2))).toEqual([
    ...['0.90', '0.95', '1.00', '1.05', '1.10'],
  ])
  expect(valueMarks({ low: 7, high: 7 }, 4).at.length).toBeGreaterThan(1)
})

it('keeps ends that are fixed, with the marks between them', () => {
  expect(valueMarks({ low: 3, high: 18 }, 5, true)).toEqual({ low: 3, high: 18, at: [5, 10, 15] })
  expect(valueMarks({ low: 0.8, high: 1.3 }, 2, true).at).toEqual([1])
})

it('holds any range, with no more marks than one over what there is room for', () => {
  const figure = fc.double({ min: -1e9, max: 1e9, noNaN: true })
  fc.assert(
    fc.property(figure, figure, fc.integer({ min: 2, max: 8 }), (a, b, most) => {
      const [low, high] = [Math.min(a, b), Math.max(a, b)]
      fc.pre(high - low > 1e-6 * Math.max(1, Math.abs(high)))
      const marks = valueMarks({ low, high }, most)
      const room = 1e-6 * (high - low)
      expect(marks.low).toBeLessThanOrEqual(low + room)
      expect(marks.high).toBeGreaterThanOrEqual(high - room)
      expect(marks.at.length).toBeLessThanOrEqual(most + 1)
    }),
  )
})

it('takes as many decimals as tell neighbours apart', () => {
  expect([5, 0.5, 0.25, 2.5, 0].map(decimalsApart)).toEqual([0, 1, 2, 1, 0])
})
