import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { captionHeight, heightsOf } from './caption'
import { layer, type Strip } from '~~/core/picture/strips'

const strip = (title: string, share: number, labels: readonly string[], spans?: string): Strip => ({
  ...{ id: title, title, unit: 'litres', share, baseline: null, measure: 'level', spans },
  layers: labels.map((label) => layer(label, 'original', 'line-thin', [])),
})
const WIDE = { gutter: 164, plotWidth: 600 }
const NARROW = { gutter: 116, plotWidth: 270 }

describe('the caption of a strip', () => {
  it('has a line a layer beside the chart, and one for all over it', () => {
    const sales = strip('Sales', 1, ['sales', 'average', 'forecast'])
    expect(captionHeight(sales, WIDE)).toBe(Math.ceil(12 + 4 * 14.5))
    expect(captionHeight(sales, NARROW)).toBe(Math.ceil(12 + 2 * 14.5))
  })

  it('names no layer that stands alone', () => {
    expect(captionHeight(strip('Irregular', 1, ['irregular']), WIDE)).toBe(
      captionHeight(strip('Irregular', 1, []), WIDE),
    )
  })

  it('is higher the more is said', () => {
    const said = strip('Sales', 1, ['sales', 'average'], 'spans 44.1, 114% of the swing of sales')
    expect(captionHeight(said, WIDE)).toBeGreaterThan(
      captionHeight({ ...said, spans: undefined }, WIDE),
    )
  })
})

describe('the heights of a stack', () => {
  it('go by share where every caption has room', () => {
    const pair = [strip('Sales', 2, []), strip('Season', 1, [])]
    expect(heightsOf(pair, 300, WIDE)).toEqual([200, 100])
  })

  it('give a strip what its caption needs, and take it from those that have more', () => {
    const long = strip('Sales', 1, ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'])
    const heights = heightsOf([long, strip('Season', 3, [])], 400, WIDE)
    expect(heights).toEqual([captionHeight(long, WIDE), 400 - captionHeight(long, WIDE)])
  })

  it('never cut a caption, and fill the height where that is enough', () => {
    const words = fc.string({ minLength: 1, maxLength: 40, unit: fc.constantFrom('a', 'b', ' ') })
    const strips = fc.array(
      fc.record({
        title: words,
        share: fc.double({ min: 0.5, max: 5, noNaN: true }),
        labels: fc.array(words, { maxLength: 9 }),
      }),
      { minLength: 1, maxLength: 5 },
    )
    fc.assert(
      fc.property(strips, fc.constantFrom(WIDE, NARROW), (drawn, room) => {
        const stack = drawn.map(({ title, share, labels }) => strip(title, share, labels))
        const heights = heightsOf(stack, 560, room)
        heights.forEach((height, i) => {
          expect(height).toBeGreaterThanOrEqual(captionHeight(stack[i]!, room))
        })
        const all = heights.reduce((sum, height) => sum + height, 0)
        expect(all).toBeGreaterThanOrEqual(560 - stack.length)
      }),
    )
  })
})
