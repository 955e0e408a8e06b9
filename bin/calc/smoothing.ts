import { z } from 'zod'
import { brokenPass, WITHOUT_HORIZON } from '../../core/stateSpace/admissible'
import {
  freeStates,
  SMOOTHING_ERRORS,
  weightsOf,
  type InitialStates,
  type SmoothingForm,
  type WeightName,
  type Weights,
} from '../../core/stateSpace/forms'
import { initialByRule } from '../../core/stateSpace/initial'
import { criteriaOf, likelihoodOf } from '../../core/stateSpace/likelihood'
import {
  carriedOver,
  formulaLimits,
  limitsOfPaths,
  simulatedPaths,
  varianceFactors,
} from '../../core/stateSpace/limits'
import {
  packStates,
  packWeights,
  projected,
  runnerOf,
  smoothed,
} from '../../core/stateSpace/recursion'
import { Refusal } from '../../core/refusal'
import type { Value } from '../../core/series/series'
import { readInput, seriesInput } from './input'
import { formInput, given, statesOf } from './smoothingInput'

/** The recursion with everything given. */
export function calcRecursion(input: unknown): unknown {
  const { y, m, model, weights, initial, horizon } = readInput(given, input)
  const states = statesOf(model, initial, m)
  const rows = smoothed(y, model, weights, states)
  const runner = ran(y, model, m, weights, states, horizon)
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
  const runner = ran(y, model, m, weights, states, horizon)
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
    limits: limitsOfPaths(
      simulatedPaths(
        model,
        weights,
        observedEnd,
        by === 'gaussian' ? { sigma: Math.sqrt(sigma2) } : { residuals },
        { missingAtEnd, horizon },
        1,
      ),
      levels,
    ),
  }
}

function ran(
  y: readonly Value[],
  form: SmoothingForm,
  m: number,
  weights: Weights,
  states: InitialStates,
  horizon = 0,
) {
  for (const name of weightsOf(form)) {
    if (weights[name] === undefined) throw missingWeight(name)
  }
  const runner = runnerOf(y, form, m, horizon)
  if (!runner.run(packWeights(weights), packStates(states))) {
    throw brokenPass(runner, { ...WITHOUT_HORIZON, horizon })
  }
  return runner
}

function missingWeight(name: WeightName): Refusal {
  return new Refusal(`The weight ${name} is not given.`, `weights.${name}`)
}

/** Periods without a value at the end. */
function missingBehind(y: readonly Value[]): number {
  const last = y.findLastIndex((value) => value !== null)
  return y.length - 1 - last
}
