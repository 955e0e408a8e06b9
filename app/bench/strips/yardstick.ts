import type { DisplayScale } from '~/figures/displayScale'
import { formatDecimals } from '~/figures/format'
import type { Result } from '~~/core/result'
import { mean } from '~~/core/statistics/average'
import type { Strip } from './strips'

/** Share of the season's swing that the mark stands for, before it is rounded. */
const SHARE = 0.4

/**
 * Gives every strip of components a mark of the same real size: so many per cent, or so many units. A strip
 * on which it is tall shows small things large.
 */
export function withYardsticks(
  strips: readonly Strip[],
  { columns, method }: Result,
  scale: DisplayScale,
): Strip[] {
  const swing = Math.max(...columns.index) - Math.min(...columns.index)
  if (!(swing > 0)) return [...strips]
  const size = rounded(SHARE * swing)
  const isShare = method.decompose.model === 'multiplicative'
  const level = mean(columns.trendCycle.filter((value) => value !== null)) ?? 0
  const label = isShare
    ? `${formatDecimals(size * 100, size < 0.01 ? 1 : 0)}%`
    : formatDecimals(size / scale.divisor, size / scale.divisor < 1 ? scale.decimals : 0)
  return strips.map((strip) =>
    strip.id === 'weight'
      ? strip
      : { ...strip, yardstick: { size: isShare && !strip.isFactor ? size * level : size, label } },
  )
}

/** 1, 2 or 5 times a power of ten, not above the figure. */
function rounded(figure: number): number {
  const power = 10 ** Math.floor(Math.log10(figure))
  const first = figure / power
  return (first >= 5 ? 5 : first >= 2 ? 2 : 1) * power
}
