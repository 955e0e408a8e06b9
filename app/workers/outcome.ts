import { analyse } from '~~/core/analyse'
import type { MethodDocument } from '~~/core/method'
import { Refusal } from '~~/core/refusal'
import type { Result } from '~~/core/result'
import type { Series } from '~~/core/series/series'

/** What an analysis came to. */
export type Outcome =
  | { readonly kind: 'result'; readonly result: Result }
  | { readonly kind: 'refused'; readonly because: string; readonly where: string }

/** Runs a method; a refusal is an outcome, anything else a defect. */
export function outcomeOf(series: Series, method: MethodDocument): Outcome {
  try {
    return { kind: 'result', result: analyse(series, method) }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { kind: 'refused', because: error.because, where: error.where }
  }
}
