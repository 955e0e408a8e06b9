import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { figureOf, type Expression } from '../column/expression'
import { evaluate } from '../column/kinds/kinds'
import type { Run } from '../column/run'
import type { Value } from '../series/series'
import { smoothingArithmetic } from './arithmetic'
import { ALL_FORMS, type InitialStates, type SmoothingForm, type Weights } from './forms'
import { PATHS, simulatedPaths } from './limits'
import { packStates, packWeights, projected, runnerOf, smoothed } from './recursion'
import { step, type Step } from './step'

const M = 4
const unit = fc.double({ min: 0.05, max: 0.95, noNaN: true })
const near = (about: number) =>
  fc.double({ min: 0.9 * about, max: 1.1 * about, noNaN: true, noDefaultInfinity: true })

/** A smoothing of values around 100, some of them missing, whose states stay above 0. */
const CASE = fc.record({
  values: fc.array(fc.option(near(100), { freq: 4 }), { minLength: 6, maxLength: 20 }),
  weights: fc.record({ alpha: unit, beta: unit, gamma: unit, phi: unit }),
  level: near(100),
  season: fc.array(near(1), { minLength: M, maxLength: M }),
})
type Case = typeof CASE extends fc.Arbitrary<infer T> ? T : never

function initialOf({ trend, season }: SmoothingForm, own: Case): InitialStates {
  return {
    level: own.level,
    ...(trend === 'none' ? {} : { trend: trend === 'multiplicative' ? 1.01 : 0.5 }),
    ...(season === 'none'
      ? {}
      : { season: own.season.map((one) => (season === 'additive' ? 20 * (one - 1) : one)) }),
  }
}

/** Step by step; the season of each period is the one that it leaves. */
function stepped(
  form: SmoothingForm,
  weights: Weights,
  { level, trend = 0, season = [] }: InitialStates,
  values: readonly Value[],
): Step[] {
  const seasons = [...season]
  let now = { level, trend, season: 0 }
  return values.map((value, t) => {
    const own = step(form, weights, { ...now, season: seasons[t % M] ?? 0 }, value)
    if (seasons.length > 0) seasons[t % M] = own.season
    now = own
    return own
  })
}

const close = (actual: Value | undefined, expected: Value) =>
  expect(Math.abs(actual! - expected!)).toBeLessThan(1e-9 * Math.max(1, Math.abs(expected!)))

/** Every form on random cases; `check` throws where it is not so. */
function holds(
  check: (form: SmoothingForm, own: Case, initial: InitialStates, steps: Step[]) => void,
) {
  for (const form of ALL_FORMS) {
    fc.assert(
      fc.property(CASE, (own) => {
        const initial = initialOf(form, own)
        check(form, own, initial, stepped(form, own.weights, initial, own.values))
      }),
      { numRuns: 20 },
    )
  }
}

it('by hand', () => {
  const form = { trend: 'additive', season: 'none', error: 'additive' } as const
  const own = step(form, { alpha: 0.5, beta: 0.4 }, { level: 19, trend: 2, season: 0 }, 24)
  expect(own.fitted).toBe(21)
  expect(own.level).toBe(22.5)
  expect(own.trend).toBeCloseTo(2.6, 12)
})

describe('in every form, values missing or not, is what', () => {
  it('the pass of a search does', () => {
    holds((form, { values, weights }, initial, steps) => {
      const runner = runnerOf(values, form, M)
      if (!runner.run(packWeights(weights), packStates(initial))) return
      steps.forEach((own, t) => {
        close(runner.fitted[t], own.fitted)
        if (values[t] !== null) close(runner.error[t], values[t]! - own.fitted)
      })
      const last = steps.at(-1)!
      close(runner.end.level, last.level)
      if (form.trend !== 'none') close(runner.end.trend, last.trend)
    })
  })

  it('the rows show', () => {
    holds((form, { values, weights }, initial, steps) => {
      const rows = smoothed(values, form, weights, initial)
      steps.forEach((own, t) => {
        close(rows.fitted[t], own.fitted)
        close(rows.level[t], own.level)
        if (rows.trend) close(rows.trend[t], own.trend)
        if (rows.season) close(rows.season[t], own.season)
      })
    })
  })

  it('the projection goes on with', () => {
    holds((form, { values, weights }, initial) => {
      const { end } = smoothed(values, form, weights, initial)
      const ahead = stepped(form, weights, end, Array<Value>(9).fill(null))
      const phi = form.trend === 'damped' ? weights.phi : 1
      projected(form, end, phi, 9).forEach((point, h) => close(point, ahead[h]!.fitted))
    })
  })

  it('a simulated path takes, with the errors that it has drawn', () => {
    for (const form of ALL_FORMS) {
      const initial = initialOf(form, { level: 100, season: [0.95, 1.05, 1.02, 0.98] } as Case)
      const weights = { alpha: 0.4, beta: 0.2, gamma: 0.3, phi: 0.9 }
      const error = form.error === 'proportional' ? 0.02 : 2
      const drawn = { missingAtEnd: 1, horizon: 6 }
      const { values } = simulatedPaths(form, weights, initial, { residuals: [error] }, drawn, 1)
      const seasons = [...(initial.season ?? [])]
      let now = { level: initial.level, trend: initial.trend ?? 0, season: 0 }
      for (let t = 0; t < 7; t++) {
        const before = { ...now, season: seasons[t % M] ?? 0 }
        const { fitted } = step(form, weights, before, null)
        const value = form.error === 'proportional' ? fitted * (1 + error) : fitted + error
        now = step(form, weights, before, value)
        if (seasons.length > 0) seasons[t % M] = now.season
        if (t > 0) close(values[t - 1]![PATHS - 1], value)
      }
    }
  })

  it('the ledger says, cell by cell', () => {
    holds((form, { values, weights }, initial, steps) => {
      const cells: Record<string, (t: number) => Value> = {
        value: (t) => values[t - 1] ?? null,
        level: (t) => steps[t - 1]!.level,
        slope: (t) => steps[t - 1]!.trend,
        season: (t) => steps[t - 1]!.season,
      }
      const run = {
        lastT: values.length,
        label: String,
        value: (column: string, t: number) => cells[column]!(t),
        cell: (column: string, t: number): Expression => figureOf(column, cells[column]!(t)!),
      } as unknown as Run
      const said = smoothingArithmetic(run, {
        ...{ form, weights, initial, of: 'value', from: 1 },
        ...{ level: 'level', slope: 'slope', season: 'season' },
      })
      steps.forEach((own, i) => {
        const t = i + 1
        close(evaluate(said.level(t)), own.level)
        if (form.trend !== 'none') close(evaluate(said.slope(t)), own.trend)
        if (form.season !== 'none') close(evaluate(said.season(t)), own.season)
        const season = form.season === 'none' ? null : said.seasonBefore(t)
        close(evaluate(said.inSeason(said.before(t), season)), own.fitted)
      })
    })
  })
})
