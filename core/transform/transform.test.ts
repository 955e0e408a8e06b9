import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { disagreements, type Tolerance } from '../../reference/agreement'
import type { Value } from '../series/series'
import { backFrom, meanOverMedian, transformed } from './boxCox'
import { choosePower } from './guerrero'

interface Case {
  readonly id: string
  readonly input: { readonly values: readonly Value[]; readonly m: number; readonly lambda: number }
  readonly expect: {
    readonly guerrero: unknown
    readonly transformed: readonly Value[]
    readonly z: readonly number[]
    readonly standardError: readonly number[]
    readonly median: readonly number[]
    readonly mean: readonly number[]
  }
}
const { cases } = JSON.parse(
  readFileSync(new URL('../../reference/transform.json', import.meta.url), 'utf8'),
) as { cases: readonly Case[] }
const CLOSE: Tolerance = { abs: 1e-7, rel: 1e-7, keys: { lambda: { abs: 1e-4, rel: 0 } } }

describe('a power', () => {
  it.each(cases)('$id: chosen, applied and brought back as the reference has it', (one) => {
    const { values, m, lambda } = one.input
    expect(disagreements(choosePower(values, m), one.expect.guerrero, CLOSE)).toEqual([])
    const got = values.map((value) => (value === null ? null : transformed(value, lambda)))
    expect(disagreements(got, one.expect.transformed, CLOSE)).toEqual([])
    one.expect.z.forEach((z, i) => {
      const median = backFrom(z, lambda)!
      expect(disagreements(median, one.expect.median[i], CLOSE)).toEqual([])
      const mean = median * meanOverMedian(z, lambda, one.expect.standardError[i]!)
      expect(disagreements(mean, one.expect.mean[i], CLOSE)).toEqual([])
    })
  })

  it('there and back is where it was, and a higher value stays higher', () => {
    const value = fc.double({ min: 0.01, max: 1e6, noNaN: true })
    fc.assert(
      fc.property(value, value, fc.double({ min: -1, max: 2, noNaN: true }), (a, b, lambda) => {
        const power = Math.abs(lambda) < 1e-3 ? 0 : lambda
        const back = backFrom(transformed(a, power), power)
        // A negative power squeezes large values into the last digits that a number has.
        fc.pre(power > -0.5 || a < 1e3)
        expect(Math.abs(back! - a)).toBeLessThan(1e-5 * a)
        if (a < b) expect(transformed(a, power)).toBeLessThanOrEqual(transformed(b, power))
      }),
    )
  })

  it('has no way back from below what any value comes from', () => {
    expect(backFrom(-2, 0.5)).toBeNull()
    expect(backFrom(1e6, 0)).toBeNull()
  })

  it('by hand: a spread in proportion to the level is the logarithm, an even spread no power', () => {
    expect(choosePower([1, 3, 10, 30, 100, 300], 1).lambda).toBeCloseTo(0, 5)
    expect(choosePower([1, 3, 10, 12, 100, 102], 1).lambda).toBeCloseTo(1, 5)
  })

  it('needs two whole years without a gap', () => {
    expect(() => choosePower([1, null, 3, 4, 5, 6, 7, 8], 4)).toThrow(/is 1 of them without a gap/)
    expect(() => choosePower([5, 5, 5, 5], 2)).toThrow(/these have none/)
  })
})
