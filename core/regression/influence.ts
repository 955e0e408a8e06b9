import type { DesignFit } from './fitDesign'

/** How much a single period sways a regression. */
export interface Influence {
  /** Time code. */
  readonly t: number
  /** h: how far its columns lie from the others', from 1/n to 1. */
  readonly leverage: number
  /** Cook's distance: how far all fitted values move without it, in units of p·s². */
  readonly cook: number
  /** On the scale that was fitted. */
  readonly residual: number
}

/** A leverage this close to 1 is that of a period with a column of its own: it fits itself, and sways nothing else. */
const ALONE = 1 - 1e-9

/**
 * The periods that sway a regression the most, the furthest first: those with a Cook's distance above 4/n.
 *
 * @param most so many at the most
 * @returns none for a perfect fit
 * @see Cook, R. D. (1977), Technometrics 19, 15–18
 * @example of 1, 2, 3, 4, 15 on a line in time: the last, with leverage 0.6 and distance 6
 */
export function mostInfluential(fit: DesignFit, most: number): Influence[] {
  const { t, residuals, sse, n, p, df } = fit
  const variance = sse / df
  if (variance === 0) return []
  const leverages = fit.leverages()
  return t
    .map((at, i): Influence => {
      const residual = residuals[i]!
      const leverage = leverages[i]!
      const cook =
        leverage >= ALONE ? 0 : ((residual ** 2 / (p * variance)) * leverage) / (1 - leverage) ** 2
      return { t: at, leverage, cook, residual }
    })
    .filter(({ cook }) => cook > 4 / n)
    .sort((a, b) => b.cook - a.cook)
    .slice(0, most)
}
