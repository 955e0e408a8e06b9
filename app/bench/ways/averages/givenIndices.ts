import { figuresIn } from '~/figures/typedFigures'
import { mean } from '~~/core/statistics/average'
import type { Model } from '~~/core/model'

/** Indices as they were typed or pasted. */
export interface TypedIndices {
  /** One a season; factors of a multiplicative model around 1, whichever way they were written. */
  readonly given: readonly number[]
  /** Whether they stood around 100 and were read as per cent. */
  readonly arePercent: boolean
}

/** Factors that average more than this are no factors: tables of indices are often printed around 100. */
const PERCENT_FROM = 20

/**
 * @example typedIndices('98 102', 'multiplicative') // { given: [0.98, 1.02], arePercent: true }
 */
export function typedIndices(text: string, model: Model): TypedIndices {
  const figures = figuresIn(text)
  const arePercent = model === 'multiplicative' && (mean(figures) ?? 0) > PERCENT_FROM
  return { given: arePercent ? figures.map((figure) => figure / 100) : figures, arePercent }
}
