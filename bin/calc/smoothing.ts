import { z } from 'zod'
import {
  ALL_FORMS,
  SMOOTHING_ERRORS,
  SMOOTHING_SEASONS,
  SMOOTHING_TRENDS,
  freeStates,
  weightsOf,
  type InitialStates,
  type SmoothingForm,
  type WeightName,
  type Weights,
} from '../../core/exponential/forms'
import { initialByRule } from '../../core/exponential/initial'
import { criteriaOf, likelihoodOf } from '../../core/exponential/likelihood'
import {
  carriedOver,
  formulaLimits,
  simulatedLimits,
  varianceFactors,
} from '../../core/exponential/limits'
import {
  packStates,
  packWeights,
  projected,
  runnerOf,
  smoothed,
} from '../../core/exponential/recursion'
import { chooseSmoothing } from '../../core/exponential/search'
import { requireAdmissible, selectForm } from '../../core/exponential/selection'
import { seededUniform } from '../../core/statistics/random'
import { Refusal } from '../../core/refusal'
import type { Value } from '../../core/series/series'
import { readInput, seriesInput } from './input'

const formInput = z.object({
  trend: z.enum(SMOOTHING_TRENDS),
  season: z.enum(SMOOTHING_SEASONS),
  error: z.enum(SMOOTHING_ERRORS).default('additive'),
})
const weightsInput = z
  .object({
    alpha: z.number().min(0).max(1),
    beta: z.number().min(0).max(1),
    gamma: z.number().min(0).max(1),
    phi: z.number().gt(0).max(1),
  })
  .partial()
const statesInput = z.object({
  level: z.number(),
  trend: z.number().optional(),
  season: z.array(z.number()).optional(),
})
const base = seriesInput.extend({
  model: formInput,
  weights: weightsInput.default({}),
  horizon: z.int().min(1).default(1),
})
const given = base.extend({ initial: statesInput })

/** The recursion with everything given. */
export function calcRecursion(input: unknown): unknown {
  const { y, m, model, weights, initial, horizon } = readInput(given, input)
  const states = statesOf(model, initial, m)
  const rows = smoothed(y, model, weights, states)
  const runner = ran(y, model, m, weights, states)
  const isRelative = model.error === 'proportional'
  return {
    N: runner.observed,
    fitted: rows.fitted,
    residual: rows.residual,
    level: rows.level,
    ...(rows.trend ? { trend: rows.trend } : {}),
    ...(rows.season ? { season: rows.season } : {}),
    sse: runner.sums.sse,
    ...(isRelative
      ? {
          relativeResidual: rows.residual.map((e, t) => (e === null ? null : e / rows.fitted[t]!)),
          sseRelative: runner.sums.sseRelative,
        }
      : {}),
    forecast: projected(model, rows.end, weights.phi ?? 1, horizon),
  }
}

/** Initial states by the rule, form by form. */
export function calcInitial(input: unknown): unknown {
  const { y, m, start, models } = readInput(
    seriesInput.extend({ models: z.array(formInput) }),
    input,
  )
  return {
    initial: models.map((model) => {
      const { error: _, ...asked } = model
      const named = 'error' in (input as { models: object[] }).models[0]! ? model : asked
      try {
        const rule = initialByRule(y, model, start.season, m)
        return {
          model: named,
          ...rule.states,
          ...(rule.years === undefined
            ? {}
            : { yearsForSeason: rule.years, indexByCalendarSeason: rule.indices }),
          ...(rule.simpleAverages ? { simpleAverages: true } : {}),
          line: rule.line,
          ...(rule.replaced ? { replaced: true } : {}),
        }
      } catch (error) {
        if (!(error instanceof Refusal)) throw error
        return { model: named, refused: error.because }
      }
    }),
  }
}

/** Likelihood and criteria of given weights and states, as if more or less of them had been chosen. */
export function calcLikelihood(input: unknown): unknown {
  const { y, m, model, errors, weights, initial } = readInput(
    given.extend({ errors: z.array(z.enum(SMOOTHING_ERRORS)) }),
    input,
  )
  return {
    byError: errors.map((error) => {
      const form = { ...model, error }
      const runner = ran(y, form, m, weights, statesOf(form, initial, m))
      const { minus2LogLikelihood, criterion } = likelihoodOf(runner)
      const [free, states] = [weightsOf(form).length, freeStates(form, m)]
      const by = (k: number) => criteriaOf(minus2LogLikelihood, k, runner.observed)
      return {
        error,
        N: runner.observed,
        sse: runner.sums.sse,
        ...(error === 'proportional'
          ? { sseRelative: runner.sums.sseRelative, sumLogMu: runner.sums.logMu }
          : {}),
        minus2LogLikelihood,
        criterion,
        byEstimated: {
          nothing: by(1),
          weights: by(1 + free),
          initial: by(1 + states),
          weightsAndInitial: by(1 + free + states),
        },
      }
    }),
  }
}

/** Limits around the forecast of given weights and states. */
export function calcLimits(input: unknown): unknown {
  const { y, m, model, weights, initial, horizon, levels, by } = readInput(
    given.extend({
      levels: z.array(z.number().gt(0).lt(100)),
      by: z.enum(['formula', 'gaussian', 'resampled']),
    }),
    input,
  )
  const states = statesOf(model, initial, m)
  const runner = ran(y, model, m, weights, states)
  const isRelative = model.error === 'proportional'
  const sse = isRelative ? runner.sums.sseRelative : runner.sums.sse
  // Everything is given: only the variance is estimated.
  const sigma2 = sse / runner.observed
  const rows = smoothed(y, model, weights, states)
  const forecast = projected(model, rows.end, weights.phi ?? 1, horizon)
  const missingAtEnd = missingBehind(y)
  const common = { N: runner.observed, k: 1, sse, sigma2, forecast }
  if (by === 'formula') {
    const carried = carriedOver(model, weights, m, horizon + missingAtEnd - 1)
    const factors = varianceFactors(carried, missingAtEnd, horizon)
    return {
      ...common,
      c: carried,
      varianceFactor: factors,
      variance: factors.map((factor) => factor * sigma2),
      limits: Object.fromEntries(
        levels.map((level) => [level, formulaLimits(forecast, factors, sigma2, level)]),
      ),
    }
  }
  const residuals = rows.residual.flatMap((e, t) =>
    e === null ? [] : [isRelative ? e / rows.fitted[t]! : e],
  )
  const observedEnd = smoothed(y.slice(0, y.length - missingAtEnd), model, weights, states).end
  return {
    ...common,
    limits: simulatedLimits(
      model,
      weights,
      observedEnd,
      by === 'gaussian' ? { sigma: Math.sqrt(sigma2) } : { residuals },
      { missingAtEnd, horizon, levels },
      seededUniform(1),
    ),
  }
}

/** Weights and states with the highest likelihood. */
export function calcOptimum(input: unknown): unknown {
  return optimumOf(input)
}

/** The same, and which weights ended at a bound. */
export function calcBounds(input: unknown): unknown {
  const { chosen, ...answer } = bestOf(input)
  return {
    ...answer,
    atBound: chosen.atBound
      .filter((name) => name !== 'phi')
      .map((name) => ({
        weight: name,
        at: chosen.weights[name],
        reading: READS[`${name} ${chosen.weights[name]}`],
      })),
  }
}

const READS: Readonly<Record<string, string>> = {
  'alpha 0': 'The level is fixed.',
  'alpha 1': 'Only the last value counts for the level.',
  'beta 0': 'The trend is never revised.',
  'beta 1': 'Only the last change counts for the trend.',
  'gamma 0': 'The season never changes.',
  'gamma 1': 'Only the same season last year counts for the season.',
}

function optimumOf(input: unknown): unknown {
  const { chosen: _, ...answer } = bestOf(input)
  return answer
}

function bestOf(input: unknown) {
  const { y, m, start, model, weights, initial, horizon } = readInput(
    base.extend({ initial: z.union([z.literal('rule'), statesInput]).optional() }),
    input,
  )
  requireAdmissible(y, model)
  const rule = initialByRule(y, model, start.season, m)
  const states = initial === 'rule' ? rule.states : initial && statesOf(model, initial, m)
  const chosen = chooseSmoothing(y, model, m, rule, { weights, initial: states ?? 'chosen' })
  const { end } = smoothed(y, model, chosen.weights, chosen.initial)
  return {
    chosen,
    N: chosen.observed,
    criterion: chosen.criterion,
    sse: chosen.sse,
    ...(chosen.sseRelative === null ? {} : { sseRelative: chosen.sseRelative }),
    minus2LogLikelihood: chosen.minus2LogLikelihood,
    ...{ k: chosen.k, aic: chosen.aic, aicc: chosen.aicc, bic: chosen.bic },
    weights: chosen.weights,
    withoutEffect: chosen.withoutEffect,
    initial: chosen.initial,
    sigma2: chosen.sigma2,
    forecast: projected(model, end, chosen.weights.phi ?? 1, horizon),
  }
}

/** All 24 forms, and which to take. */
export function calcSelection(input: unknown): unknown {
  const { y, m, start } = readInput(seriesInput, input)
  const { table, lowest, winner } = selectForm(y, start.season, m, ALL_FORMS)
  return {
    N: y.filter((value) => value !== null).length,
    table: table.map((one) => {
      if ('because' in one) {
        return { ...one.form, k: one.k, admissible: false, because: one.because }
      }
      const { criterion, minus2LogLikelihood, aic, aicc, bic, weights } = one.chosen
      return {
        ...{ ...one.form, k: one.k, admissible: true, criterion, minus2LogLikelihood },
        ...{ aic, aicc, bic, weights },
      }
    }),
    lowest,
    winner: winner?.form ?? null,
  }
}

function ran(
  y: readonly Value[],
  form: SmoothingForm,
  m: number,
  weights: Weights,
  states: InitialStates,
) {
  for (const name of weightsOf(form)) {
    if (weights[name] === undefined) throw missingWeight(name)
  }
  const runner = runnerOf(y, form, m)
  if (!runner.run(packWeights(weights), packStates(states))) {
    throw new Refusal('What must stay above 0 does not, with these weights and states.', 'weights')
  }
  return runner
}

function missingWeight(name: WeightName): Refusal {
  return new Refusal(`The weight ${name} is not given.`, `weights.${name}`)
}

/** Given states, as many as the form has. */
function statesOf(form: SmoothingForm, states: InitialStates, m: number): InitialStates {
  if (form.season !== 'none' && states.season?.length !== m) {
    throw new Refusal(`A season starts from ${m} states.`, 'initial.season')
  }
  if (form.trend !== 'none' && states.trend === undefined) {
    throw new Refusal('A trend starts from a state.', 'initial.trend')
  }
  return states
}

/** Periods without a value at the end. */
function missingBehind(y: readonly Value[]): number {
  const last = y.findLastIndex((value) => value !== null)
  return y.length - 1 - last
}
