import { z } from 'zod'
import { WITHOUT_HORIZON } from '../../core/stateSpace/admissible'
import { ALL_FORMS } from '../../core/stateSpace/forms'
import { initialByRule } from '../../core/stateSpace/initial'
import { projected, smoothed } from '../../core/stateSpace/recursion'
import { chooseSmoothing } from '../../core/stateSpace/search'
import { requireAdmissible, selectForm } from '../../core/stateSpace/selection'
import { readInput, seriesInput } from './input'
import { base, statesInput, statesOf } from './smoothingInput'

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
  const wished = { weights, initial: states ?? ('chosen' as const) }
  const chosen = chooseSmoothing(y, model, m, rule, wished, { ...WITHOUT_HORIZON, horizon })
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
