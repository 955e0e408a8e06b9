import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { layer, rangeOfStrip, type Layer, type Point, type Strip } from './strips'

const strip = (layers: readonly Layer[], baseline: number | null = null): Strip => ({
  ...{ id: 'main', title: 'Sales', unit: 'litres', share: 1, baseline, measure: 'level' },
  layers,
})
const pointsOf = (values: readonly (number | null)[]): Point[] =>
  values.map((y, i) => ({ x: i + 1, y }))
const line = (values: readonly (number | null)[]) =>
  layer('sales', 'original', 'line-thin', pointsOf(values))

describe('the range of a strip', () => {
  it('is that of the window where one is given', () => {
    const one = layer('', 'original', 'line-points', pointsOf([3, 9, 4, 100]))
    expect(rangeOfStrip(strip([one]), { from: 0.5, to: 3.5 })).toEqual({ low: 3, high: 9 })
    expect(rangeOfStrip(strip([one]))).toEqual({ low: 3, high: 100 })
    expect(rangeOfStrip(strip([one]), { from: 7, to: 9 })).toBeNull()
  })

  it('reaches over lines and limits, and to the baseline', () => {
    const band: Layer = {
      ...{ kind: 'band', label: 'limits' },
      lower: pointsOf([null, 2]),
      upper: pointsOf([null, 30]),
    }
    expect(rangeOfStrip(strip([line([5, null, 12]), band]))).toEqual({ low: 2, high: 30 })
    expect(rangeOfStrip(strip([line([5, 12])], 0))).toEqual({ low: 0, high: 12 })
  })

  it('is not that of what was replaced: one slip of a digit would flatten everything else', () => {
    const slip = layer('', 'original', 'dots', pointsOf([5000]))
    expect(rangeOfStrip(strip([line([5, 12]), slip]))).toEqual({ low: 5, high: 12 })
    expect(rangeOfStrip(strip([slip], 0))).toBeNull()
    expect(rangeOfStrip(strip([line([null, null])], 0))).toBeNull()
  })

  it('leaves room for the distances between turns', () => {
    const gaps: Layer = { kind: 'gaps', label: 'gaps', side: 'above', gaps: [] }
    expect(rangeOfStrip(strip([line([0, 100]), gaps]))).toEqual({ low: -9, high: 109 })
  })

  it('holds every figure, whatever there is', () => {
    const figures = fc.array(fc.option(fc.double({ noNaN: true, min: -1e9, max: 1e9 })), {
      maxLength: 30,
    })
    fc.assert(
      fc.property(figures, figures, (a, b) => {
        const range = rangeOfStrip(strip([line(a), line(b)]))
        const all = [...a, ...b].filter((value) => value !== null)
        const isRight = range
          ? range.low === Math.min(...all) && range.high === Math.max(...all)
          : all.length === 0
        expect(isRight).toBe(true)
      }),
    )
  })
})
