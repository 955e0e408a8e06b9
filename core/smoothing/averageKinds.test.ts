import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { averageName, smoothBy, type AverageKind } from './averageKinds'

const order = fc.integer({ min: 1, max: 15 })
const anyKind: fc.Arbitrary<AverageKind> = fc.oneof(
  order.map((of): AverageKind => ({ kind: 'centred', order: of })),
  order.map((of): AverageKind => ({ kind: 'trailing', order: of })),
  order.map((of): AverageKind => ({ kind: 'off-centre', order: 2 * of })),
  fc
    .tuple(order, order)
    .filter(([p, q]) => p % 2 === q % 2)
    .map(([p, q]): AverageKind => ({ kind: 'composite', p, q })),
  fc
    .integer({ min: 2, max: 11 })
    .map((p): AverageKind => ({ kind: 'henderson', length: 2 * p + 1 })),
  fc.constant<AverageKind>({ kind: 'spencer' }),
)
const line = (count: number) => Array.from({ length: count }, (_, t) => 7 + 3 * (t + 1))

describe('any moving average', () => {
  it('is its weights over its reach', () => {
    const values = fc.array(fc.double({ min: -100, max: 100, noNaN: true }), {
      minLength: 20,
      maxLength: 50,
    })
    fc.assert(
      fc.property(anyKind, values, (kind, series) => {
        const { values: averages, weights, reach } = smoothBy(series, kind, 12)
        averages.forEach((average, t) => {
          if (average === null) return
          const want = weights.reduce((sum, weight, j) => sum + weight * series[t + reach + j]!, 0)
          expect(average).toBeCloseTo(want, 8)
        })
      }),
    )
  })

  it('passes a straight line on, where it says it stands', () => {
    fc.assert(
      fc.property(anyKind, (kind) => {
        const { values, offset, reach, weights } = smoothBy(line(60), kind, 12)
        const middle = reach + (weights.length - 1) / 2
        values.forEach((value, i) => {
          if (value === null) return
          // A trailing average lags behind; every other stands where its weights balance.
          const stands = kind.kind === 'trailing' ? middle : offset
          expect(value).toBeCloseTo(7 + 3 * (i + 1 + stands), 7)
        })
      }),
    )
  })

  it('loses as many periods at the ends as it says', () => {
    fc.assert(
      fc.property(anyKind, (kind) => {
        const { values, lost, offset } = smoothBy(line(70), kind, 12)
        const first = values.findIndex((value) => value !== null)
        const last = values.findLastIndex((value) => value !== null)
        // An average between two periods leaves none of its own; it is counted by whole ones.
        expect(first + Math.floor(offset)).toBe(lost.start)
        expect(69 - last - Math.ceil(offset)).toBe(lost.end)
      }),
    )
  })

  it.each<[AverageKind, number, boolean]>([
    [{ kind: 'centred', order: 12 }, 12, false],
    [{ kind: 'centred', order: 24 }, 12, false],
    [{ kind: 'centred', order: 9 }, 12, true],
    [{ kind: 'centred', order: 13 }, 12, true],
    [{ kind: 'centred', order: 7 }, 7, false],
    [{ kind: 'composite', p: 3, q: 12 }, 4, false],
    [{ kind: 'spencer' }, 4, false],
    [{ kind: 'spencer' }, 5, false],
    [{ kind: 'spencer' }, 12, true],
    [{ kind: 'henderson', length: 13 }, 12, true],
  ])('%j leaves a season of %i: %s', (kind, seasons, leaves) => {
    if (kind.kind === 'composite') {
      expect(() => smoothBy(line(40), kind, seasons)).toThrow(/falls between/)
      return
    }
    expect(smoothBy(line(40), kind, seasons).leavesSeason).toBe(leaves)
  })

  it('longer than the series is undefined throughout', () => {
    const { values } = smoothBy([1, 2, 3], { kind: 'centred', order: 12 }, 12)
    expect(values).toEqual([null, null, null])
  })

  it('is undefined wherever its window holds a gap, even under a weight of 0', () => {
    const gapped = line(9).with(4, null as never)
    const weights = [0, 0.5, 0, 0.5, 0]
    const { values } = smoothBy(gapped, { kind: 'weights', weights }, 4)
    expect(values.map((value) => value === null)).toEqual(Array(9).fill(true))
  })

  it.each<[AverageKind, string]>([
    [{ kind: 'centred', order: 12 }, '2×12'],
    [{ kind: 'centred', order: 9 }, '9 terms'],
    [{ kind: 'off-centre', order: 12 }, '12-term average'],
    [{ kind: 'composite', p: 3, q: 5 }, '3×5'],
    [{ kind: 'trailing', order: 3 }, 'last 3'],
    [{ kind: 'weights', weights: [0.2, 0.6, 0.2] }, 'own 3 weights'],
    [{ kind: 'trailing-weights', weights: [3, 2, 1] }, 'last 3, own weights'],
  ])('%j is called %s', (kind, name) => expect(averageName(kind)).toBe(name))

  it.each<[AverageKind, RegExp]>([
    [{ kind: 'centred', order: 2.5 }, /The order 2\.5 is not possible/],
    [{ kind: 'trailing', order: NaN }, /The order NaN is not possible/],
    [{ kind: 'composite', p: 0, q: 2 }, /The order 0/],
    [{ kind: 'henderson', length: 3 }, /at least 5 terms, not 3/],
    [{ kind: 'weights', weights: [0.5, 0.5] }, /an odd number is needed/],
    [{ kind: 'weights', weights: [0.3, 0.3, 0.3] }, /sum to 0\.9/],
    [{ kind: 'trailing-weights', weights: [1, -1] }, /sum to 0; to average/],
    [{ kind: 'trailing-weights', weights: [] }, /No weight is given/],
    [{ kind: 'trailing-weights', weights: [1, NaN] }, /no number/],
  ])('%j is refused', (kind, words) => {
    expect(() => smoothBy(line(9), kind, 4)).toThrow(words)
  })
})
