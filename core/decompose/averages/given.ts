import type { Model } from '../../model'
import { Refusal } from '../../refusal'
import { figure } from '../../words/figure'

/** Indices of a season that are taken from elsewhere: of a group of products, or of an older study. */
export interface GivenIndices {
  /** One a season, season 1 first; factors around 1, or amounts around 0 in units of the series. */
  readonly given: readonly number[]
  /** Where they come from, in the reader's words. */
  readonly source: string
}

/**
 * @param seasons m, as many as there must be indices
 * @throws Refusal for too few or too many, and for a factor that is not above 0
 * @example requireUsableGiven({ given: [1.2, 0], source: 'the group' }, 'multiplicative', 2) // Refusal at decompose.indices.given.1
 */
export function requireUsableGiven({ given }: GivenIndices, model: Model, seasons: number): void {
  const where = 'decompose.indices.given'
  if (given.length !== seasons) {
    throw new Refusal(
      `There are ${given.length} indices for ${seasons} seasons. Give one a season, in the order of the year.`,
      where,
    )
  }
  const at = model === 'multiplicative' ? given.findIndex((index) => index <= 0) : -1
  if (at < 0) return
  throw new Refusal(
    `Index ${at + 1} is ${figure(given[at]!)}: in a multiplicative model an index is a factor above 0. Correct it, or choose the additive model.`,
    `${where}.${at}`,
    { season: at + 1 },
  )
}
