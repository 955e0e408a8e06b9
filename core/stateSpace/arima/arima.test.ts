import fc from 'fast-check'
import { CholeskyDecomposition, Matrix } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import { finish } from '../../work/steps'
import { autocovariances, psiWeights, stationaryCovariance } from './autocovariance'
import { chooseOrders } from './choose'
import { filterDifferences, filterLevels } from './filter'
import { fitArima, fitWith } from './fit'
import { arimaAhead, missingEstimates } from './forecast'
import { likelihoodOf, logLikelihoodOf, ready } from './likelihood'
import type { ArmaCoefficients, ArimaOrder } from './order'
import { fromPartial, toPartial } from './partial'
import { differencesOf, differencing, expanded, modulus, rootsOf } from './polynomial'

const M = 4
const order = (p: number, d: number, q: number, P = 0, D = 0, Q = 0): ArimaOrder => ({
  ...{ p, d, q, P, D, Q },
})
/** Noise that is the same in every run. */
function noise(length: number, seed = 3): number[] {
  let state = seed
  const uniform = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
  return Array.from(
    { length },
    () => Array.from({ length: 12 }, uniform).reduce((a, b) => a + b) - 6,
  )
}
const partial = fc.double({ min: -0.95, max: 0.95, noNaN: true })
const factor = (most: number) => fc.array(partial, { maxLength: most })
/** Any stationary and invertible model. */
const models = fc
  .record({ ar: factor(2), ma: factor(2), sar: factor(1), sma: factor(1) })
  .map(({ ar, ma, sar, sma }): ArmaCoefficients => {
    const negative = (r: number[]) => fromPartial(r).map((one) => -one)
    return { ar: negative(ar), ma: fromPartial(ma), sar: negative(sar), sma: fromPartial(sma) }
  })

describe('partial autocorrelations', () => {
  it('give a factor, and come back from it', () => {
    expect(fromPartial([0.5, -0.2])).toEqual([0.4, -0.2])
    fc.assert(
      fc.property(factor(5), (r) => {
        toPartial(fromPartial(r))!.forEach((own, i) => expect(own).toBeCloseTo(r[i]!, 6))
      }),
    )
    // 1 + 2B has its root at −0.5, inside the circle.
    expect(toPartial([2])).toBeNull()
  })
})

describe('polynomials', () => {
  it('are multiplied out, and differences with them', () => {
    const own = { ar: [0.5], ma: [-0.4], sar: [0.2], sma: [-0.6] }
    const { phi, theta } = expanded(own, M)
    expect([...phi]).toEqual([0.5, 0, 0, 0.2, -0.1])
    expect([...theta].map((one) => Number(one.toFixed(12)))).toEqual([-0.4, 0, 0, -0.6, 0.24])
    expect([...differencing({ d: 1, D: 1 }, M)]).toEqual([1, 0, 0, 1, -1])
    expect([...differencing({ d: 2, D: 0 }, M)]).toEqual([2, -1])
  })

  it('of a season have m roots of one modulus', () => {
    const { ar, ma } = rootsOf({ ar: [], ma: [], sar: [0.5], sma: [-0.25] }, M)
    for (const root of ar) expect(modulus(root)).toBeCloseTo(2 ** (1 / M), 10)
    for (const root of ma) expect(modulus(root)).toBeCloseTo(4 ** (1 / M), 10)
    // 1 − 1.2B + 0.72B² = 0 where B = (1.2 ± 1.2i)/1.44
    const [one] = rootsOf({ ar: [1.2, -0.72], ma: [], sar: [], sma: [] }, M).ar
    expect([one!.re, Math.abs(one!.im)].map((x) => Number(x.toFixed(6)))).toEqual([
      0.833333, 0.833333,
    ])
  })
})

describe('the start of a filter', () => {
  it('is what the transition leaves as it is, and its first entry the variance by ψ weights', () => {
    fc.assert(
      fc.property(models, (own) => {
        const polynomials = expanded(own, M)
        const size = Math.max(polynomials.phi.length, polynomials.theta.length + 1)
        const P = new Matrix([...chunks(stationaryCovariance(polynomials, size)!, size)])
        const T = Matrix.zeros(size, size)
        for (let i = 0; i < size; i++) {
          T.set(i, 0, polynomials.phi[i] ?? 0)
          if (i + 1 < size) T.set(i, i + 1, T.get(i, i + 1) + 1)
        }
        const R = Matrix.columnVector([
          1,
          ...Array.from({ length: size - 1 }, (_, i) => polynomials.theta[i] ?? 0),
        ])
        const again = T.mmul(P).mmul(T.transpose()).add(R.mmul(R.transpose()))
        expect(again.sub(P).norm() / P.norm()).toBeLessThan(1e-9)
        // A root near 1 lets them die away slowly: 3,000 leave out a share of 5e-7 where one lies at 1.0024.
        const psi = psiWeights(polynomials, 20_000)
        const sum = psi.reduce((all, one) => all + one * one, 0)
        expect(P.get(0, 0) / sum).toBeCloseTo(1, 6)
      }),
      { numRuns: 60 },
    )
    expect(stationaryCovariance(expanded({ ar: [1.1], ma: [], sar: [], sma: [] }, M), 1)).toBeNull()
  })
})

describe('the likelihood', () => {
  it('is that of the whole covariance matrix', () => {
    fc.assert(
      fc.property(models, fc.integer({ min: 1, max: 1000 }), (own, seed) => {
        const w = noise(30, seed)
        const polynomials = expanded(own, M)
        const gamma = autocovariances(polynomials, w.length)!
        const V = new Matrix(w.map((_, i) => w.map((_value, j) => gamma[Math.abs(i - j)]!)))
        const lower = new CholeskyDecomposition(V).lowerTriangularMatrix
        const { errors, variances, logDeterminant } = filterDifferences(
          [Float64Array.from(w)],
          polynomials,
        )!
        let determinant = 0
        for (let i = 0; i < w.length; i++) determinant += 2 * Math.log(lower.get(i, i))
        expect(logDeterminant).toBeCloseTo(determinant, 6)
        const S = errors[0]!.reduce((sum, one, t) => sum + one ** 2 / variances[t]!, 0)
        const z: number[] = []
        w.forEach((value, i) => {
          let rest = value
          for (let j = 0; j < i; j++) rest -= lower.get(i, j) * z[j]!
          z.push(rest / lower.get(i, i))
        })
        const quadratic = z.reduce((sum, one) => sum + one ** 2, 0)
        expect(Math.abs(S / quadratic - 1)).toBeLessThan(1e-7)
      }),
      { numRuns: 60 },
    )
  })

  it('of levels from a diffuse start is that of the differences', () => {
    fc.assert(
      fc.property(
        models,
        fc.constantFrom(order(0, 1, 0), order(0, 0, 0, 0, 1), order(0, 1, 0, 0, 1), order(0, 2, 0)),
        (own, orders) => {
          const values = noise(40).map((one, t) => 50 + t + 5 * one)
          const delta = differencing(orders, M)
          const polynomials = expanded(own, M)
          const byDifferences = filterDifferences([differencesOf(values, delta)], polynomials)!
          const byLevels = filterLevels([values], polynomials, delta)!
          expect(byLevels.logDeterminant).toBeCloseTo(byDifferences.logDeterminant, 6)
          byDifferences.errors[0]!.forEach((error, i) => {
            const t = i + delta.length
            expect(byLevels.errors[0]![t]).toBeCloseTo(error, 6)
            expect(byLevels.variances[t]).toBeCloseTo(byDifferences.variances[i]!, 6)
          })
        },
      ),
      { numRuns: 40 },
    )
  })

  it('counts a value of the start that is missing against a later one', () => {
    const values = noise(20).map((one, t) => (t === 1 || t === 9 ? null : 10 + one))
    const own = { values, columns: [], seasons: M, order: order(0, 1, 0, 0, 1) }
    const fit = fitWith(own, { ar: [], ma: [], sar: [], sma: [] }, [], 'order')!
    expect(fit.count).toBe(18 - 5)
    expect(fit.errors.filter((error) => error !== null)).toHaveLength(13)
    expect([fit.errors[1], fit.errors[9]]).toEqual([null, null])
  })

  it('of values with gaps is the same by a coefficient for each of them', () => {
    fc.assert(
      fc.property(
        models,
        fc.uniqueArray(fc.integer({ min: 0, max: 39 }), { maxLength: 5 }),
        (own, gaps) => {
          const values = noise(40).map((one, t) => (gaps.includes(t) ? null : 50 + 5 * one))
          const drift = { name: 'drift', values: values.map((_, t) => t + 1) }
          const data = { values, columns: [drift], seasons: M, order: order(0, 0, 0, 0, 1) }
          const made = ready(data, 'order')
          expect(logLikelihoodOf(made, own)).toBeCloseTo(likelihoodOf(made, own)!.concentrated, 5)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('is undetermined where a season never came', () => {
    const values = noise(20).map((one, t) => (t % M === 2 ? null : one))
    const own = { values, columns: [], seasons: M, order: order(0, 0, 0, 0, 1) }
    expect(fitWith(own, { ar: [], ma: [], sar: [], sma: [] }, [], 'order')).toBeNull()
    expect(() => fitArima(own, 'order')).toThrow(/start undetermined/)
  })
})

describe('a fitted model', () => {
  const walk = noise(160).reduce<number[]>(
    (all, one) => [...all, 0.7 * (all.at(-1) ?? 0) + one],
    [],
  )
  const data = { values: walk, columns: [], seasons: M, order: order(1, 0, 0) }

  it('finds what the values were made with, within its errors', () => {
    const fit = fitArima(data, 'order')
    const error = fit.standardErrors()!.ar[0]!
    expect(Math.abs(fit.coefficients.ar[0]! - 0.7)).toBeLessThan(3 * error)
    // Of an AR(1) the error is √((1 − φ²)/n), all but.
    expect(error).toBeCloseTo(Math.sqrt((1 - fit.coefficients.ar[0]! ** 2) / 160), 2)
    expect(fit.k).toBe(2)
    expect(fit.aicc!).toBeGreaterThan(fit.aic)
  })

  it('finds the same from where it was found on a little less, and from nowhere else all the same', () => {
    for (const own of [order(1, 0, 1, 0, 0, 1), order(0, 1, 1, 1, 0, 0), order(2, 0, 0, 0, 1, 1)]) {
      const whole = { ...data, order: own }
      const less = { ...whole, values: data.values.slice(0, 130) }
      const near = fitArima(less, 'order').coefficients
      const found = fitArima(whole, 'order', { near })
      expect(found.logLikelihood).toBeGreaterThan(fitArima(whole, 'order').logLikelihood - 1e-6)
      // On the circle there is no angle to begin from: conditional least squares alone leads there.
      const circle = { ar: near.ar, ma: near.ma.map(() => 1), sar: near.sar, sma: near.sma }
      expect(fitArima(whole, 'order', { near: circle }).logLikelihood).toBeGreaterThan(
        found.logLikelihood - 1,
      )
    }
  })

  it('is no better anywhere near', () => {
    const own = { ...data, order: order(1, 0, 1, 0, 0, 1) }
    const { coefficients, logLikelihood } = fitArima(own, 'order')
    const beside = fc.record({ a: partial, b: partial, c: partial })
    fc.assert(
      fc.property(beside, ({ a, b, c }) => {
        const other = fitWith(own, { ar: [a], ma: [b], sar: [], sma: [c] }, [], 'order')!
        expect(other.logLikelihood).toBeLessThan(logLikelihood + 1e-6)
      }),
    )
    expect(coefficients.ar).toHaveLength(1)
  })

  it('is the same of values of another scale, and of others added to them where there is a mean', () => {
    const mean = [{ name: 'mean', values: walk.map(() => 1) }]
    const plain = fitArima({ ...data, columns: mean }, 'order')
    const moved = fitArima(
      { ...data, columns: mean, values: walk.map((one) => 500 + 20 * one) },
      'order',
    )
    expect(moved.coefficients.ar[0]).toBeCloseTo(plain.coefficients.ar[0]!, 5)
    expect(moved.beta[0]).toBeCloseTo(500 + 20 * plain.beta[0]!, 3)
    expect(moved.logLikelihood).toBeCloseTo(plain.logLikelihood - 160 * Math.log(20), 5)
  })

  it('forecasts an AR(1) down to its mean, with limits as wide as the process in the end', () => {
    const { point, spread } = arimaAhead(
      data,
      { coefficients: { ar: [0.7], ma: [], sar: [], sma: [] }, beta: [] },
      [],
      60,
    )!
    point.forEach((one, h) => expect(one).toBeCloseTo(walk.at(-1)! * 0.7 ** (h + 1), 10))
    expect(spread[0]).toBeCloseTo(1, 10)
    expect(spread.at(-1)).toBeCloseTo(1 / Math.sqrt(1 - 0.49), 6)
  })

  it('tells a missing value of a random walk as the middle of its neighbours', () => {
    const values = walk.with(50, null as never)
    const own = { values, columns: [], seasons: M, order: order(0, 1, 0) }
    const [one] = missingEstimates(own, {
      coefficients: { ar: [], ma: [], sar: [], sma: [] },
      beta: [],
    })!
    expect(one!.estimate).toBeCloseTo((walk[49]! + walk[51]!) / 2, 10)
    expect(one!.spread).toBeCloseTo(Math.SQRT1_2, 10)
  })
})

it('a model that leaves nothing over is refused, not searched for ever', () => {
  const line = Array.from({ length: 40 }, (_, t) => 3 * t + 7)
  const own = { values: line, columns: [], seasons: M, order: order(2, 2, 1) }
  expect(() => fitArima(own, 'order')).toThrow(/leaves nothing over/)
})

describe('orders that are chosen', () => {
  it('are told with every model that was tried, and why it was passed over', () => {
    const values = noise(100, 11).reduce<number[]>(
      (all, one) => [...all, 0.8 * (all.at(-1) ?? 0) + one],
      [],
    )
    const asked = {
      ...{ values, beside: [], firstT: 1, seasons: 1, d: 0, D: 0 },
      limits: { p: 2, q: 2, P: 0, Q: 0 },
    }
    const seen: number[] = []
    const walked = finish(chooseOrders({ ...asked, total: null }, 'order'), ({ done }) =>
      seen.push(done),
    )
    const all = finish(chooseOrders({ ...asked, total: 4 }, 'order'))
    expect(all.tried).toHaveLength(18)
    expect(seen.at(-1)).toBe(walked.tried.length)
    expect(walked.taken.name).toBe(all.taken.name)
    expect(all.taken.order.p).toBeGreaterThan(0)
    expect(all.taken.because).toBeNull()
    const aicc = all.tried.flatMap(({ fit, because }) => (because === null ? [fit!.aicc!] : []))
    expect(aicc).toEqual(aicc.toSorted((a, b) => a - b))
  })
})

function* chunks(flat: Float64Array, size: number): Generator<number[]> {
  for (let i = 0; i < size; i++) yield [...flat.subarray(i * size, (i + 1) * size)]
}
