import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { smoothWeighted, spacedLoess } from './spacedLoess'
import { loess } from '../../smoothing/loess'

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
