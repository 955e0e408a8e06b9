import { z } from 'zod'
import {
  SMOOTHING_ERRORS,
  SMOOTHING_SEASONS,
  SMOOTHING_TRENDS,
  type InitialStates,
  type SmoothingForm,
} from '../../core/stateSpace/forms'
import { Refusal } from '../../core/refusal'
import { seriesInput } from './input'

export const formInput = z.object({
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
export const statesInput = z.object({
  level: z.number(),
  trend: z.number().optional(),
  season: z.array(z.number()).optional(),
})
export const base = seriesInput.extend({
  model: formInput,
  weights: weightsInput.default({}),
  horizon: z.int().min(1).default(1),
})
export const given = base.extend({ initial: statesInput })

/** Given states, as many as the form has. */
export function statesOf(form: SmoothingForm, states: InitialStates, m: number): InitialStates {
  if (form.season !== 'none' && states.season?.length !== m) {
    throw new Refusal(`A season starts from ${m} states.`, 'initial.season')
  }
  if (form.trend !== 'none' && states.trend === undefined) {
    throw new Refusal('A trend starts from a state.', 'initial.trend')
  }
  return states
}
