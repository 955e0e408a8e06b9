import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { normalQuantile } from '../statistics/distributions'
import { mean } from '../statistics/average'
import { seededNormals, seededUniform } from '../statistics/random'
import type { Value } from '../series/series'
import {
  ALL_FORMS,
  freeStates,
  WEIGHT_NAMES,
  weightsOf,
  type SmoothingForm,
  type Weights,
} from './forms'
import { initialByRule } from './initial'
import { carriedOver, limitsOfPaths, PATHS, simulatedPaths, varianceFactors } from './limits'
import { likelihoodOf } from './likelihood'
import { minimise } from './quasiNewton'
import { packStates, packWeights, projected, runnerOf, smoothed } from './recursion'
import { chooseSmoothing } from './search'
import { weightSections } from './sections'
import { slopesOf } from './slopes'
import { selectForm } from './selection'

const quarters = Array.from(
  { length: 40 },
  (_, t) => (100 + 2 * t) * [0.8, 1.1, 1.25, 0.85][t % 4]! * (1 + 0.02 * Math.sin(t * 2.4)),
)
const form = (
  trend: SmoothingForm['trend'],
  season: SmoothingForm['season'],
  error: SmoothingForm['error'] = 'additive',
): SmoothingForm => ({ trend, season, error })

describe('the recursion', () => {
  it('by hand: level and trend', () => {
    // μ 21, e 0: level 21, trend 2. μ 23, e 1: level 23.5, trend 2 + 0.5·0.4·1.
    const rows = smoothed(
      [21, 24],
      form('additive', 'none'),
      { alpha: 0.5, beta: 0.4 },
      {
        level: 19,
        trend: 2,
      },
    )
    expect(rows.level).toEqual([21, 23.5])
    expect(rows.trend![1]).toBeCloseTo(2.2, 12)
    expect(projected(form('additive', 'none'), rows.end, 1, 2)).toEqual([25.7, 27.9])
  })

  it('by hand: a factor of the season, by the new level', () => {
    // u 100, μ 50, e 5: level 100 + 0.2·5/0.5 = 102; season 0.5·55/102 + 0.5·0.5.
    const rows = smoothed(
      [55],
      form('none', 'multiplicative'),
      { alpha: 0.2, gamma: 0.5 },
      {
        level: 100,
        season: [0.5, 1.5],
      },
    )
    expect(rows.level[0]).toBeCloseTo(102, 12)
    expect(rows.end.season![1]).toBeCloseTo((0.5 * 55) / 102 + 0.25, 12)
    // The next period uses the other season first.
    expect(rows.end.season![0]).toBe(1.5)
  })

  it('is the same without keeping its rows, for every form, with gaps', () => {
    const values = quarters.map((value, t): Value => (t === 6 || t === 39 ? null : value))
    for (const one of ALL_FORMS) {
      const { states } = initialByRule(values, one, 1, 4)
      const weights = { alpha: 0.3, beta: 0.1, gamma: 0.2, phi: 0.9 }
      const rows = smoothed(values, one, weights, states)
      const runner = runnerOf(values, one, 4)
      expect(runner.run(packWeights(weights), packStates(states))).toBe(true)
      rows.fitted.forEach((value, t) => expect(runner.fitted[t]).toBeCloseTo(value, 9))
      expect(runner.end.level).toBeCloseTo(rows.end.level, 9)
      rows.end.season?.forEach((s, k) => expect(runner.end.season[k]).toBeCloseTo(s, 9))
      if (one.error === 'proportional') {
        const logs = rows.fitted.reduce(
          (sum, mu, t) => sum + (values[t] === null ? 0 : Math.log(mu)),
          0,
        )
        expect(runner.sums.logMu).toBeCloseTo(logs, 8)
      }
    }
  })

  it('runs on through a gap as if the forecast had come true', () => {
    const states = { level: 100, trend: 3 }
    const weights = { alpha: 0.4, beta: 0.2 }
    const gap = smoothed([104, null], form('additive', 'none'), weights, states)
    const told = smoothed([104], form('additive', 'none'), weights, states)
    expect(gap.fitted[1]).toBeCloseTo(projected(form('additive', 'none'), told.end, 1, 1)[0]!, 12)
    expect(gap.residual[1]).toBeNull()
  })

  it('with α = 1 and nothing else repeats the last value; with γ, the same season', () => {
    const level = smoothed(quarters, form('none', 'none'), { alpha: 1 }, { level: 1 })
    expect(level.fitted.slice(1)).toEqual(quarters.slice(0, -1))
  })
})

describe('initial states by the rule', () => {
  it('of a line in season are that line and that season', () => {
    const exact = Array.from({ length: 12 }, (_, t) => 50 + 2 * (t + 1) + [5, -3, -4, 2][t % 4]!)
    const { states, line, years } = initialByRule(exact, form('additive', 'additive'), 1, 4)
    expect(years).toBe(3)
    expect(states.level).toBeCloseTo(50, 9)
    expect(states.trend).toBeCloseTo(2, 9)
    states.season!.forEach((s, k) => expect(s).toBeCloseTo([5, -3, -4, 2][k]!, 9))
    expect(line).toMatchObject({ first: 10, used: 10 })
  })

  it('need two full years, and a value in every season', () => {
    const short = quarters.slice(0, 7)
    expect(() => initialByRule(short, form('none', 'additive'), 1, 4)).toThrow('two full turns')
    const holes = quarters.slice(0, 8).map((value, t): Value => (t % 4 === 2 ? null : value))
    expect(() => initialByRule(holes, form('none', 'additive'), 1, 4)).toThrow('no value')
  })
})

describe('slopes of the criterion', () => {
  it('are what differences to both sides come to, for every form, with gaps', () => {
    const values = quarters.map((value, t): Value =>
      t === 6 || t === 17 || t === 39 ? null : value,
    )
    for (const one of ALL_FORMS) {
      const runner = runnerOf(values, one, 4)
      const weights = packWeights({ alpha: 0.3, beta: 0.15, gamma: 0.2, phi: 0.9 })
      const states = packStates(initialByRule(values, one, 1, 4).states)
      const at = () => {
        runner.run(weights, states)
        return likelihoodOf(runner).minus2LogLikelihood!
      }
      at()
      const slopes = { weights: new Float64Array(4), states: new Float64Array(states.length) }
      slopesOf(runner, weights, slopes)
      const check = (place: Float64Array, i: number, got: number) => {
        const own = place[i]!
        const h = 1e-6 * Math.max(0.1, Math.abs(own))
        place[i] = own + h
        const above = at()
        place[i] = own - h
        const below = at()
        place[i] = own
        const want = (above - below) / (2 * h)
        expect(Math.abs(got - want), `${JSON.stringify(one)} ${i}`).toBeLessThan(
          1e-5 * Math.max(1, Math.abs(want)),
        )
      }
      for (const name of weightsOf(one)) {
        const i = WEIGHT_NAMES.indexOf(name)
        check(weights, i, slopes.weights[i]!)
      }
      const used = [
        0,
        ...(one.trend === 'none' ? [] : [1]),
        ...(one.season === 'none' ? [] : [2, 3, 4, 5]),
      ]
      for (const i of used) check(states, i, slopes.states[i]!)
    }
  })
})

describe('the search', () => {
  it('finds the bottom of a bowl, and stays within its bounds', () => {
    const problem = {
      least: Float64Array.of(-10, 2),
      most: Float64Array.of(10, 10),
      scale: Float64Array.of(1, 1),
      value: ([x, y]: Float64Array) => (x! - 3) ** 2 + 4 * (y! - 1) ** 2 + x! * y!,
      slopes: ([x, y]: Float64Array, into: Float64Array) =>
        into.set([2 * (x! - 3) + y!, 8 * (y! - 1) + x!]),
    }
    const effort = { most: 100, enough: 1e-14 }
    const { x } = minimise(problem, Float64Array.of(-5, 9), effort)
    // On y = 2: 2(x − 3) + 2 = 0.
    expect(x[0]).toBeCloseTo(2, 5)
    expect(x[1]).toBe(2)
  })

  it('is found again from near where it was found', () => {
    for (const one of ALL_FORMS) {
      const rule = initialByRule(quarters, one, 1, 4)
      const wished = { weights: {}, initial: 'chosen' } as const
      const whole = chooseSmoothing(quarters, one, 4, rule, wished)
      const near = chooseSmoothing(quarters, one, 4, rule, { ...wished, near: whole.weights })
      expect(near.minus2LogLikelihood!).toBeLessThan(whole.minus2LogLikelihood! + 0.5)
    }
  })

  it('never ends above the best of a grid of weights with the states of the rule', () => {
    const weight = fc.double({ min: 0, max: 1, noNaN: true })
    const forms = fc.constantFrom(...ALL_FORMS)
    fc.assert(
      fc.property(forms, weight, weight, weight, (one, alpha, beta, gamma) => {
        const rule = initialByRule(quarters, one, 1, 4)
        const chosen = chooseSmoothing(quarters, one, 4, rule, { weights: {}, initial: 'chosen' })
        const fixed = chooseSmoothing(quarters, one, 4, rule, {
          weights: { alpha, beta, gamma, phi: 0.9 },
          initial: rule.states,
        })
        if (fixed.minus2LogLikelihood === null) return
        expect(chosen.minus2LogLikelihood!).toBeLessThanOrEqual(fixed.minus2LogLikelihood + 1e-6)
        expect(fixed.k).toBe(1)
        expect(chosen.k).toBe(1 + weightsOf(one).length + freeStates(one, 4))
      }),
      { numRuns: 40 },
    )
  })

  it('keeps what is fixed, and says what has no effect', () => {
    const rule = initialByRule(quarters, form('additive', 'additive'), 1, 4)
    const chosen = chooseSmoothing(quarters, form('additive', 'additive'), 4, rule, {
      weights: { alpha: 0 },
      initial: 'chosen',
    })
    expect(chosen.weights.alpha).toBe(0)
    expect(chosen.withoutEffect).toEqual(['beta'])
    expect(chosen.atBound).not.toContain('alpha')
    const sum = chosen.initial.season!.reduce((total, s) => total + s, 0)
    expect(sum).toBeCloseTo(0, 9)
  })

  it('chooses a form by AICc, and lists those that cannot be with the reason', () => {
    const { winner, table } = selectForm(quarters, 1, 4)
    expect(winner!.form.season).toBe('multiplicative')
    expect(table).toHaveLength(24)
    const negative = selectForm(quarters.with(5, -1), 1, 4)
    const refused = negative.table.filter((one) => 'because' in one)
    expect(refused).toHaveLength(24 - 6)
    expect(refused[0]).toMatchObject({ because: expect.stringMatching(/period 6/) as string })
  })
})

describe('limits', () => {
  it('by formula: what an error still moves', () => {
    // α(1 + β·j), and γ(1 − α) more every four periods.
    const carried = carriedOver(
      form('additive', 'additive'),
      { alpha: 0.5, beta: 0.2, gamma: 0.4 },
      4,
      4,
    )
    expect(carried.slice(0, 3)).toEqual([0.6, 0.7, expect.closeTo(0.8, 12)])
    expect(carried[3]).toBeCloseTo(0.9 + 0.2, 12)
    expect(varianceFactors([0.5, 0.5], 0, 3)).toEqual([1, 1.25, 1.5])
    expect(varianceFactors([0.5, 0.5], 1, 2)).toEqual([1.25, 1.5])
  })

  it('by simulation agree with the formula where there is one, and come again with the seed', () => {
    const one = form('damped', 'additive')
    const weights: Weights = { alpha: 0.4, beta: 0.3, gamma: 0.2, phi: 0.9 }
    const end = { level: 100, trend: 2, season: [5, -5, 2, -2] }
    const plan = { missingAtEnd: 0, horizon: 6, levels: [80] }
    const limits = () =>
      limitsOfPaths(simulatedPaths(one, weights, end, { sigma: 3 }, plan, 7), [80])['80']!
    const { lower, upper } = limits()
    const factors = varianceFactors(carriedOver(one, weights, 4, 5), 0, 6)
    projected(one, end, 0.9, 6).forEach((point, i) => {
      const reach = normalQuantile(80) * 3 * Math.sqrt(factors[i]!)
      expect(Math.abs(upper[i]! - point - reach)).toBeLessThan(0.06 * reach)
      expect(Math.abs(point - lower[i]! - reach)).toBeLessThan(0.06 * reach)
    })
    expect(limits()).toEqual({ lower, upper })
  })
})

describe('limits of simulated paths', () => {
  it('are those of the sorted values', () => {
    const values = fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), {
      minLength: PATHS,
      maxLength: PATHS,
    })
    const levels = [50, 80, 95, 99.9]
    fc.assert(
      fc.property(values, fc.integer({ min: 0, max: 200 }), (drawn, ended) => {
        const own = drawn.map((value, i) => (i % 5 === 0 && i / 5 < ended ? -Infinity : value))
        const sorted = [...own].sort((a, b) => a - b)
        const quantile = (p: number) => {
          const at = (PATHS - 1) * p
          const [below, above] = [sorted[Math.floor(at)]!, sorted[Math.ceil(at)]!]
          return below === -Infinity ? null : below + (at % 1) * (above - below)
        }
        const limits = limitsOfPaths({ values: [own], ended: [ended] }, levels)
        for (const level of levels) {
          const tail = (1 - level / 100) / 2
          expect(limits[level]!.lower[0]).toBe(quantile(tail))
          expect(limits[level]!.upper[0]).toBe(quantile(1 - tail))
        }
      }),
      { numRuns: 20 },
    )
  })
})

describe('seeded numbers', () => {
  it('that are normal come again with their seed, whoever has asked before, and are so', () => {
    const take = (seed: number, count: number) => {
      const next = seededNormals(seed, count)
      return Array.from({ length: count }, next)
    }
    const few = take(3, 10)
    const many = take(3, 4000)
    expect(many.slice(0, 10)).toEqual(few)
    take(4, 10)
    // A list too long to be kept is the same one.
    const next = seededNormals(3, 1e9)
    expect(Array.from({ length: 4000 }, next)).toEqual(many)
    expect(Math.abs(mean(many)!)).toBeLessThan(0.05)
    expect(mean(many.map((one) => one * one))!).toBeCloseTo(1, 1)
  })

  it('lie evenly between 0 and 1, and those of neighbouring seeds are strangers', () => {
    const [one, other] = [seededUniform(1), seededUniform(2)]
    const pairs = Array.from({ length: 20_000 }, () => [one(), other()] as const)
    const mean = pairs.reduce((sum, [a]) => sum + a, 0) / pairs.length
    expect(mean).toBeCloseTo(0.5, 2)
    const together = pairs.reduce((sum, [a, b]) => sum + (a - 0.5) * (b - 0.5), 0) / pairs.length
    expect(Math.abs(together)).toBeLessThan(0.003)
    expect(pairs.every(([a]) => a > 0 && a < 1)).toBe(true)
  })
})

describe('the criterion along a weight', () => {
  it('is lowest where the weight was chosen, and the weights said to be as good are so', () => {
    const one = form('additive', 'multiplicative', 'proportional')
    const rule = initialByRule(quarters, one, 1, 4)
    const chosen = chooseSmoothing(quarters, one, 4, rule, { weights: {}, initial: 'chosen' })
    const sections = weightSections(quarters, 4, chosen)
    expect(sections.map(({ name }) => name)).toEqual(weightsOf(one))
    for (const { name, optimum, at, above, asGood } of sections) {
      expect(optimum).toBe(chosen.weights[name])
      expect(Math.min(...above.filter((value) => value !== null))).toBeGreaterThanOrEqual(0)
      expect(asGood[0]).toBeLessThanOrEqual(optimum)
      expect(asGood[1]).toBeGreaterThanOrEqual(optimum)
      at.forEach((weight, i) => {
        const isInside = weight >= asGood[0] && weight <= asGood[1]
        if (isInside) expect(above[i]).toBeLessThanOrEqual(2)
      })
      const nearest = at.findIndex((weight) => weight >= optimum)
      expect(above[nearest]).toBeLessThanOrEqual(above.at(nearest > 30 ? 0 : -1) ?? Infinity)
    }
  })
})
