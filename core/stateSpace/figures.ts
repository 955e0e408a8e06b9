import type { Value } from '../series/series'
import type { InitialStates, SmoothingForm, WeightName, Weights } from './forms'
import type { ChosenSmoothing } from './search'
import type { Contender } from './selection'

/** A form in the table of a selection. */
export interface FormRow {
  readonly form: SmoothingForm
  readonly k: number
  readonly aicc: Value
  readonly weights: Weights | null
  readonly because: string | null
}

/** What there is to say of a smoothing that was chosen: plain data, for a report. */
export interface SmoothingFigures {
  readonly form: SmoothingForm
  readonly weights: Weights
  /** Weights that the analyst fixed. */
  readonly fixed: readonly WeightName[]
  readonly withoutEffect: readonly WeightName[]
  readonly atBound: readonly WeightName[]
  readonly initial: InitialStates
  /** States that the forecast starts from. */
  readonly end: InitialStates
  readonly criteria: Pick<
    ChosenSmoothing,
    'k' | 'aic' | 'aicc' | 'bic' | 'minus2LogLikelihood' | 'criterion'
  >
  /** σ, of errors or of relative ones. */
  readonly sigma: Value
  /** Every form that was to be chosen from, the best first; null where the form was given. */
  readonly table: readonly FormRow[] | null
}

/** The figures of a smoothing. */
export function smoothingFigures(
  chosen: ChosenSmoothing,
  end: InitialStates,
  fixed: Weights,
  table: readonly Contender[] | null,
): SmoothingFigures {
  const { form, weights, initial, withoutEffect, atBound, sigma2 } = chosen
  return {
    ...{ form, weights, initial, end, withoutEffect, atBound },
    fixed: Object.keys(fixed) as WeightName[],
    criteria: {
      ...{ k: chosen.k, aic: chosen.aic, aicc: chosen.aicc, bic: chosen.bic },
      ...{ minus2LogLikelihood: chosen.minus2LogLikelihood, criterion: chosen.criterion },
    },
    sigma: sigma2 === null ? null : Math.sqrt(sigma2),
    table: table?.map(formRow) ?? null,
  }
}

/** What there is to say of a form in a selection. */
function formRow(one: Contender): FormRow {
  return {
    form: one.form,
    k: one.k,
    aicc: 'chosen' in one ? one.chosen.aicc : null,
    weights: 'chosen' in one ? one.chosen.weights : null,
    because: 'because' in one ? one.because : null,
  }
}
