import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { doubles } from './doubles'
import { smooth, smoothInterleaved, spacedLoess } from './spacedLoess'
import { loess } from '../../smoothing/loess'

/** Whether two runs, interleaved with a third, are smoothed as each is alone. */
function interleavedWith(geometry: ReturnType<typeof spacedLoess>, points: number[]) {
  const { n, places } = geometry
  const turned = points.map((value, i) => (i % 2 === 0 ? value : -value))
  const runs = [points, turned, points]
  const woven = doubles(6 * n)
  for (let i = 0; i < n; i++) {
    runs.forEach((run, r) => woven.splice(2 * (3 * i + r), 2, run[2 * i]!, run[2 * i + 1]!))
  }
  const to = doubles(3 * places)
  smoothInterleaved(geometry, woven, 0, 1, 3, to)
  const alone = doubles(places)
  smooth(geometry, points, alone)
  const close = (a: number, b: number) => Math.abs(a - b) <= 1e-9 * (1 + Math.abs(b))
  return [
    alone.every((value, i) => close(to[3 * i]!, value)),
    alone.every((value, i) => close(to[3 * i + 1]!, -value)),
  ]
}

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
        const to = doubles(beyond ? n + 2 : n)
        const geometry = spacedLoess(n, 2 * half + 1, degree, beyond)
        const points = Array.from({ length: 2 * n }, (_, i) =>
          i % 2 === 0 ? weights[i / 2]! : weights[(i - 1) / 2]! * y[(i - 1) / 2]!,
        )
        smooth(geometry, points, to)
        expect(interleavedWith(geometry, points)).toEqual([true, true])
        to.forEach((value, i) => {
          const at = beyond ? i : i + 1
          const want = loess({ x, y, weights }, at, 2 * half + 1, degree).value
          expect(value).toBeCloseTo(want!, 7)
        })
      }),
    )
  })
})
