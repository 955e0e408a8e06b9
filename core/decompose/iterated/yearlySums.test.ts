import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MODELS } from '../../model'
import { frameOf } from './frame'
import { keepYearlySums } from './yearlySums'

const frame = (model: 'additive' | 'multiplicative', season: number, values: readonly number[]) =>
  frameOf(model, { seasons: 4, start: { cycle: 2020, season }, values })
const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0)
/** What is made least: the squared changes from period to period. */
const roughness = (step: readonly number[]) =>
  step.slice(1).reduce((total, own, i) => total + (own - step[i]!) ** 2, 0)

describe('yearly sums', () => {
  it('of one year are kept by one factor, or one amount', () => {
    const [y, adjusted] = [
      [90, 110, 120, 80],
      [100, 100, 105, 105],
    ]
    const factor = keepYearlySums(frame('multiplicative', 1, y), y, adjusted)!
    for (const own of factor.step) expect(own).toBeCloseTo(400 / 410, 12)
    const amount = keepYearlySums(frame('additive', 1, y), y, adjusted)!
    for (const own of amount.step) expect(own).toBeCloseTo(-2.5, 12)
  })

  it('are left alone without a full calendar year', () => {
    const y = [1, 2, 3, 4, 5, 6]
    expect(keepYearlySums(frame('additive', 2, y), y, y)).toBeNull()
  })

  it.each(MODELS)(
    'are kept exactly, part years aside, and changed as little as can be, %s',
    (model) => {
      fc.assert(
        fc.property(
          fc.array(fc.double({ min: 50, max: 150, noNaN: true }), { minLength: 14, maxLength: 40 }),
          fc.integer({ min: 1, max: 4 }),
          fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 40, maxLength: 40 }),
          (y, season, directions) => {
            const own = frame(model, season, y)
            const adjusted = y.map((_, i) => 100 + 10 * Math.sin(i))
            const kept = keepYearlySums(own, y, adjusted)!
            const first = (4 - (season - 1)) % 4
            const years = Math.floor((y.length - first) / 4)
            for (let k = 0; k < years; k++) {
              const [from, to] = [first + 4 * k, first + 4 * k + 4]
              expect(sum(kept.adjusted.slice(from, to))).toBeCloseTo(sum(y.slice(from, to)), 7)
            }
            // Outside of the full years it stays as it is at their ends.
            for (let i = 0; i < first; i++) expect(kept.step[i]).toBeCloseTo(kept.step[first]!, 9)
            // Any other step that keeps the sums changes more: one is made by moving within a year what its sum does not feel.
            const other = [...kept.step]
            for (let k = 0; k < years; k++) {
              const [i, j] = [first + 4 * k, first + 4 * k + 2]
              const counts = (at: number) => (model === 'multiplicative' ? adjusted[at]! : 1)
              other[i]! += directions[k]! / counts(i)
              other[j]! -= directions[k]! / counts(j)
            }
            expect(roughness(other)).toBeGreaterThanOrEqual(roughness(kept.step) - 1e-9)
          },
        ),
        { numRuns: 40 },
      )
    },
  )
})
