import { z } from 'zod'
import {
  ALL_FORMS,
  SMOOTHING_ERRORS,
  SMOOTHING_SEASONS,
  SMOOTHING_TRENDS,
  weightsOf,
  type InitialStates,
  type SmoothingForm,
  type Weights,
} from '../../stateSpace/forms'
import { Refusal } from '../../refusal'
import { weightsDocument } from '../../stateSpace/weightsOptions'
import {
  commonForecast,
  completeCommon,
  type CommonForecast,
  type ForecastFacts,
} from '../commonOptions'
import { completePower, powerDocument, type PowerOptions } from '../powerOptions'

const MOST_STATES = 1000
/** Forecast by exponential smoothing, as a person or a script writes it; each part of the form may be `chosen`. */
export const smoothingDocument = z.strictObject({
  by: z.literal('smoothing'),
  ...commonForecast,
  trend: z.enum([...SMOOTHING_TRENDS, 'chosen']).optional(),
  season: z.enum([...SMOOTHING_SEASONS, 'chosen']).optional(),
  error: z.enum([...SMOOTHING_ERRORS, 'chosen']).optional(),
  /** Those that are not named are chosen. */
  weights: weightsDocument.optional(),
  /** Where those that are chosen are looked for, in place of all over; of a form that is named. */
  nearWeights: weightsDocument.optional(),
  initial: z
    .union([
      z.enum(['chosen', 'rule']),
      z
        .strictObject({
          level: z.number(),
          trend: z.number().optional(),
          season: z.array(z.number()).max(MOST_STATES).readonly().optional(),
        })
        .readonly(),
    ])
    .optional(),
  /** Of simulated limits. */
  seed: z.int().min(0).optional(),
  /** Whether simulated errors are the residuals themselves, drawn again. */
  resample: z.boolean().optional(),
  ...powerDocument,
})
export type SmoothingDocument = z.infer<typeof smoothingDocument>

/** The same, complete. */
export interface SmoothingOptions extends CommonForecast, PowerOptions {
  readonly by: 'smoothing'
  readonly trend: SmoothingForm['trend'] | 'chosen'
  readonly season: SmoothingForm['season'] | 'chosen'
  readonly error: SmoothingForm['error'] | 'chosen'
  readonly weights: Weights
  readonly nearWeights?: Weights | undefined
  readonly initial: 'chosen' | 'rule' | InitialStates
  readonly seed: number
  readonly resample: boolean
}

/**
 * Fills in the defaults: a damped trend, a season as the decomposition has it (multiplicative with errors in
 * proportion), weights and initial states chosen, the values as they are; of transformed ones an additive season and
 * the median.
 *
 * @throws Refusal for a season of a yearly series, a weight that no form in question has, and states that do not fit
 */
export function completeSmoothing(
  document: SmoothingDocument,
  facts: ForecastFacts,
): SmoothingOptions {
  const { model, calendar } = facts
  const { seasons } = calendar
  const { by, weights = {}, initial = 'chosen', seed = 1, resample = false, nearWeights } = document
  const power = completePower(document)
  // On the scale of a power what multiplies adds.
  const usual = power.transform === 'none' ? model : 'additive'
  const { trend = 'damped', season = seasons < 2 ? 'none' : usual } = document
  const error = document.error ?? (season === 'multiplicative' ? 'proportional' : 'additive')
  if (seasons < 2 && season !== 'none' && season !== 'chosen') {
    throw new Refusal('A yearly series has no season to smooth.', 'forecast.season')
  }
  const forms = formsOf({ trend, season, error }, seasons)
  for (const name of Object.keys(weights) as (keyof Weights)[]) {
    if (weights[name] === undefined || forms.some((form) => weightsOf(form).includes(name)))
      continue
    throw new Refusal(
      `${name} belongs to ${BELONGS[name]}, and this form has none. Take it out.`,
      `forecast.weights.${name}`,
    )
  }
  if (typeof initial === 'object') requireFitting(initial, forms, seasons)
  return {
    by,
    ...completeCommon(document, facts),
    trend,
    season,
    error,
    weights,
    ...(nearWeights ? { nearWeights } : {}),
    initial,
    seed,
    resample,
    ...power,
  }
}

const BELONGS = {
  alpha: 'a level',
  beta: 'a trend',
  gamma: 'a season',
  phi: 'a damped trend',
} as const

/** The forms that a choice allows: one, or those to choose from. */
export function formsOf(
  { trend, season, error }: Pick<SmoothingOptions, 'trend' | 'season' | 'error'>,
  seasons: number,
): SmoothingForm[] {
  const is = <T>(wished: T | 'chosen', own: T) => wished === 'chosen' || wished === own
  return ALL_FORMS.filter(
    (form) =>
      is(trend, form.trend) &&
      is(season, form.season) &&
      is(error, form.error) &&
      (seasons >= 2 || form.season === 'none'),
  )
}

/** @throws Refusal for given states of another form, or for a form that is still to be chosen */
function requireFitting(
  states: InitialStates,
  forms: readonly SmoothingForm[],
  seasons: number,
): void {
  const where = 'forecast.initial'
  const [form, ...others] = forms
  if (!form || others.length > 0) {
    throw new Refusal('Given initial states need a form that is given too.', where)
  }
  if ((form.trend === 'none') !== (states.trend === undefined)) {
    throw new Refusal(
      form.trend === 'none'
        ? 'Without a trend there is no state of it.'
        : 'The trend starts from a state too.',
      `${where}.trend`,
    )
  }
  if ((states.season?.length ?? 0) !== (form.season === 'none' ? 0 : seasons)) {
    throw new Refusal(
      form.season === 'none'
        ? 'Without a season there are no states of it.'
        : `The season starts from ${seasons} states.`,
      `${where}.season`,
    )
  }
}
