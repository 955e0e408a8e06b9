import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Point } from '../strips'
import { perPixel } from './perPixel'

const pointsOf = (values: readonly (number | null)[]): Point[] => values.map((y, x) => ({ x, y }))
/** So many periods on a strip of 100 pixels. */
const axisOf = (periods: number) => ({ from: -0.5, to: periods - 0.5, width: 100 })

describe('points on one column of pixels', () => {
  it('are drawn by the first, the lowest, the highest and the last of them', () => {
    const points = pointsOf(
      Array.from({ length: 1000 }, (_, i) => [5, 9, 1, 6, 6, 7, 2, 8, 4, 3][i % 10]!),
    )
    const shown = perPixel(points, axisOf(1000))
    expect(shown.slice(0, 4).map(({ x, y }) => [x, y])).toEqual([
      [0, 5],
      [1, 9],
      [2, 1],
      [9, 3],
    ])
    expect(shown).toHaveLength(400)
  })

  it('are all drawn while there is room', () => {
    const points = pointsOf([1, 2, null, 3])
    expect(perPixel(points, axisOf(4))).toBe(points)
  })

  it('break a line where a whole column has no value, and nowhere else', () => {
    const values = Array.from({ length: 1000 }, (_, i) => (i >= 500 && i < 530 ? null : i % 7))
    values[100] = null as never
    const shown = perPixel(pointsOf(values), axisOf(1000))
    expect(shown.filter(({ y }) => y === null)).toHaveLength(3)
  })

  it('reach as far up and down as all of them, in the order of time', () => {
    const value = fc.oneof(fc.double({ min: -1e6, max: 1e6, noNaN: true }), fc.constant(null))
    fc.assert(
      fc.property(fc.array(value, { minLength: 300, maxLength: 3000 }), (values) => {
        const all = values.filter((y) => y !== null)
        const shown = perPixel(pointsOf(values), axisOf(values.length))
        const there = shown.flatMap(({ y }) => (y === null ? [] : [y]))
        expect(shown.length).toBeLessThanOrEqual(404)
        expect(shown.map(({ x }) => x)).toEqual(shown.map(({ x }) => x).toSorted((a, b) => a - b))
        if (all.length === 0) return expect(there).toEqual([])
        expect([Math.min(...there), Math.max(...there)]).toEqual([
          Math.min(...all),
          Math.max(...all),
        ])
      }),
      { numRuns: 60 },
    )
  })
})
