import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Value } from '../../series'
import { loess } from '../../smoothing/loess'
import { decomposeByLoess } from './decomposeByLoess'
import { smoothWeighted, spacedLoess } from './spacedLoess'
import { stlParameters } from './windows'

const PATTERN = [5, -3, 8, -10]
const quarters = (years: number, more: (t: number) => number = () => 0): number[] =>
  Array.from({ length: 4 * years }, (_, t) => 100 + 2 * t + PATTERN[t % 4]! + more(t))
const parameters = (n: number, robust = false) => stlParameters({ seasonalWindow: 7, robust }, n, 4)

describe('loess over equally spaced points', () => {
  it('is local regression at every place, ends and added places included', () => {
    const cases = fc.record({
      n: fc.integer({ min: 2, max: 30 }),
      half: fc.integer({ min: 1, max: 20 }),
      degree: fc.constantFrom(0 as const, 1 as const),
      beyond: fc.boolean(),
      seed: fc.integer({ min: 1, max: 1000 }),
    })
    fc.assert(
      fc.property(cases, ({ n, half, degree, beyond, seed }) => {
        const x = Array.from({ length: n }, (_, i) => i + 1)
        const y = x.map((at) => Math.sin(at * seed) * 10)
        const weights = x.map((at) => (1 + Math.cos(at * seed)) / 2 + 0.01)
        const to = new Float64Array(beyond ? n + 2 : n)
        smoothWeighted(
          spacedLoess(n, 2 * half + 1, degree, beyond),
          Float64Array.from(weights),
          Float64Array.from(y, (value, i) => value * weights[i]!),
          to,
        )
        to.forEach((value, i) => {
          const at = beyond ? i : i + 1
          const want = loess({ x, y, weights }, at, 2 * half + 1, degree).value
          expect(value).toBeCloseTo(want!, 7)
        })
      }),
    )
  })
})

describe('decomposition by loess', () => {
  it('takes a line and a season that never changes apart exactly', () => {
    const y = quarters(8)
    const { trend, seasonal, remainder, strength } = decomposeByLoess(
      y,
      4,
      'additive',
      parameters(32),
    )
    remainder.forEach((value) => expect(value).toBeCloseTo(0, 8))
    trend.forEach((value, t) => expect(value).toBeCloseTo(100 + 2 * t, 8))
    seasonal.forEach((value, t) => expect(value).toBeCloseTo(PATTERN[t % 4]!, 8))
    expect(strength.trend).toBeCloseTo(1, 8)
  })

  it('recomposes, and follows a change of unit', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 1000, noNaN: true }), { minLength: 12, maxLength: 40 }),
        fc.constantFrom(0.001, 7, 1e6),
        (y, scale) => {
          const own = decomposeByLoess(y, 4, 'additive', parameters(y.length))
          const scaled = decomposeByLoess(
            y.map((value) => value * scale),
            4,
            'additive',
            parameters(y.length),
          )
          y.forEach((value, t) => {
            expect(own.trend[t]! + own.seasonal[t]! + own.remainder[t]!).toBeCloseTo(value, 8)
            expect(scaled.trend[t]! / scale).toBeCloseTo(own.trend[t]!, 6)
          })
        },
      ),
    )
  })

  it('distrusts a flood when it is robust, and is wrecked by it when it is not', () => {
    const flood = quarters(10, (t) => (t === 17 ? -300 : Math.sin(t * 7) * 0.5))
    const robust = decomposeByLoess(flood, 4, 'additive', parameters(40, true))
    const plain = decomposeByLoess(flood, 4, 'additive', parameters(40))
    expect(robust.weights[17]).toBe(0)
    const error = ({ trend }: { trend: readonly number[] }) => Math.abs(trend[17]! - 134)
    expect(error(robust)).toBeLessThan(1)
    expect(error(plain)).toBeGreaterThan(20)
  })

  it('gives trend and season, and no remainder, where a value is missing', () => {
    const y: Value[] = quarters(8).with(9, null as unknown as number)
    const { trend, remainder, weights } = decomposeByLoess(y, 4, 'multiplicative', parameters(32))
    expect(trend[9]).toBeGreaterThan(0)
    expect([remainder[9], weights[9]]).toEqual([null, 0])
  })

  it.each([
    [
      'too short',
      () => decomposeByLoess([1, 2, 3, 4, 5], 4, 'additive', parameters(5)),
      'Two full years',
    ],
    [
      'a season of gaps',
      () =>
        decomposeByLoess(
          quarters(3).map((v, t) => (t % 4 === 1 ? null : v)),
          4,
          'additive',
          parameters(12),
        ),
      'no value in any year',
    ],
    [
      'zero in logarithms',
      () => decomposeByLoess(quarters(3).with(2, 0), 4, 'multiplicative', parameters(12)),
      'above 0',
    ],
    ['an even window', () => stlParameters({ seasonalWindow: 8 }, 40, 4), 'seasonalWindow'],
    ['a small window', () => stlParameters({ seasonalWindow: 5 }, 40, 4), 'at least 7'],
    [
      'an even trend window',
      () => stlParameters({ seasonalWindow: 7, trendWindow: 10 }, 40, 4),
      'trendWindow',
    ],
  ])('refuses %s by name', (_, act, words) => {
    expect(act).toThrow(words)
  })
})
