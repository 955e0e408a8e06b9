import { beginExamined } from '../begin'
import { candidate } from '../contest/candidates'
import { contest } from '../contest/contest'
import type { MethodDocument } from '../method'
import type { ExaminedSoon } from '../examine'
import { orNull, Refusal } from '../refusal'
import type { Series } from '../series/series'
import { settledSoon, withLevels } from '../check/settledSoon'

/** Where the method of a series comes from. */
export type MethodSource =
  /** As a new series begins. */
  | { readonly kind: 'begin' }
  /** One for all. */
  | { readonly kind: 'given'; readonly method: MethodDocument }
  /** The nearest of several, or the plainest that ties with it. */
  | { readonly kind: 'contest'; readonly methods: readonly MethodDocument[] }

/** A method, and why it is this one. */
export interface ChosenMethod {
  readonly method: MethodDocument
  readonly because: readonly string[]
  /** What is known already of its decomposition; where nothing is, null. */
  readonly examined: Judged | null
}

/** What of a decomposition a row tells. */
export type Judged = Pick<ExaminedSoon, 'strength' | 'outliers'>

/**
 * The method that a series of a catalogue is forecast by.
 *
 * @param checkBy over which origins a method is tried in a contest
 * @throws Refusal where no method of a contest can be carried out
 */
export function chosenMethod(
  series: Series,
  source: MethodSource,
  checkBy: (method: MethodDocument) => MethodDocument['check'],
): ChosenMethod {
  switch (source.kind) {
    case 'begin': {
      const { beginning, examined } = beginExamined(series)
      return { ...beginning, examined }
    }
    case 'given':
      return { method: source.method, because: [], examined: null }
    case 'contest': {
      const [first] = source.methods
      const check = checkBy(first!)
      const held = contest(
        series,
        { ...first!, check },
        source.methods.map((method) => {
          const own = candidate(series, { ...method, check })
          const triedAs = orNull(() => settledSoon(series, withLevels(own.document, [])))
          return triedAs ? { ...own, triedAs } : own
        }),
      )
      const best = held.rows.find(({ name }) => name === held.proposed)
      if (!best) throw new Refusal(held.rows[0]?.refused ?? 'No method takes part.', 'method')
      const { check: _, ...method } = best.method
      return { method, because: [`the nearest of ${source.methods.length}`], examined: null }
    }
  }
}
