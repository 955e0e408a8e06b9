import { figureIn, figuresIn } from '~/figures/typedFigures'
import type { AverageKind } from '~~/core/smoothing/averageKinds'

/** The usual first average of a yearly series. */
export const YEARLY_ORDER = 5

/** How a person writes an average. */
export type Written =
  | { readonly by: 'order'; readonly order: string }
  | { readonly by: 'composite'; readonly p: string; readonly q: string }
  | { readonly by: 'trailing'; readonly order: string }
  | { readonly by: 'spencer' }
  | { readonly by: 'henderson'; readonly length: string }
  | { readonly by: 'weights' | 'trailing-weights'; readonly weights: string }

/** Reads what was written; what is no number is NaN, which the core refuses by name. */
export function averageFrom(written: Written): AverageKind {
  switch (written.by) {
    case 'order':
      return { kind: 'centred', order: figureIn(written.order) }
    case 'composite':
      return { kind: 'composite', p: figureIn(written.p), q: figureIn(written.q) }
    case 'trailing':
      return { kind: 'trailing', order: figureIn(written.order) }
    case 'spencer':
      return { kind: 'spencer' }
    case 'henderson':
      return { kind: 'henderson', length: figureIn(written.length) }
    case 'weights':
    case 'trailing-weights':
      return {
        kind: written.by,
        weights: figuresIn(written.weights),
      }
  }
}
