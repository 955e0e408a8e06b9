import fc from 'fast-check'
import { expect, it } from 'vitest'
import { valueUnder, yOf } from './valueAxis'

it('a value comes back from its height within a pixel, and is as round as one is fine', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -1e6, max: 1e6, noNaN: true }),
      fc.double({ min: 1e-3, max: 1e6, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (low, span, share) => {
        const axis = { low, high: low + span, top: 6, bottom: 206 }
        const value = low + share * span
        expect(Math.abs(valueUnder(axis, yOf(axis, value)) - value)).toBeLessThanOrEqual(span / 200)
      },
    ),
  )
  const axis = { low: 0, high: 7400, top: 0, bottom: 200 }
  expect(valueUnder(axis, 100)).toBe(3700)
  expect(valueUnder(axis, 101)).toBe(3660)
  expect(valueUnder({ ...axis, high: 0.6 }, 100)).toBe(0.3)
})
