import { analyse, type Heard } from '~~/core/analyse'
import type { MethodAction } from '~~/core/finding'
import { lookAt } from '~~/core/look'
import type { MethodDocument } from '~~/core/method'
import { Refusal } from '~~/core/refusal'
import { remediesFor } from '~~/core/remedies'
import type { Looked, Result } from '~~/core/result'
import type { Series } from '~~/core/series/series'

/** What an analysis came to. */
export type Outcome =
  | { readonly kind: 'result'; readonly result: Result }
  | {
      readonly kind: 'refused'
      readonly because: string
      readonly where: string
      /** Single choices that would help. */
      readonly remedies: readonly MethodAction[]
      /** What can be looked at all the same; null where nothing can. */
      readonly looked: Looked | null
    }

/** Runs a method; a refusal is an outcome, anything else a defect. */
export function outcomeOf(series: Series, method: MethodDocument, heard?: Heard): Outcome {
  try {
    return { kind: 'result', result: analyse(series, method, heard) }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    const { because, where } = error
    return {
      kind: 'refused',
      because,
      where,
      remedies: remediesFor(series, method),
      looked: lookOrNothing(series, method),
    }
  }
}

/** Values that nothing can be calculated with cannot be looked at either. */
function lookOrNothing(series: Series, method: MethodDocument): Looked | null {
  try {
    return lookAt(series, method)
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}
