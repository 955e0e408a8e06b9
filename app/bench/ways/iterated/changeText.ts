import { formatDecimals, formatFigure } from '~/figures/format'
import type { Model } from '~~/core/model'

/** How far something moves: of a multiplicative model a share, in per cent. */
export function changeText(change: number, model: Model): string {
  return model === 'multiplicative' ? `${formatDecimals(100 * change, 2)}%` : formatFigure(change)
}
