import type { Result } from '../result'
import { mean } from '../statistics/average'
import type { StripSources } from './sources'
import { rangeOfStrip, type Strip } from './strips'

/** What strips are compared by: the level that a factor is a share of, and the swing of the series. */
export interface Comparison {
  /** Mean of the trend-cycle, in units of the series. */
  readonly level: number
  /** Highest less lowest value of the series, in its units. */
  readonly swing: number
}

export function comparisonOf({ columns }: Result): Comparison {
  const present = columns.value.filter((value) => value !== null)
  const trendCycle = columns.trendCycle.filter((value) => value !== null)
  return {
    level: Math.abs(mean(trendCycle) ?? mean(present) ?? 0),
    swing: Math.max(...present) - Math.min(...present),
  }
}

/** Units of the series that one unit of a strip's figures stands for; null for what is counted otherwise. */
function unitsOf({ measure }: Strip, { level }: Comparison): number | null {
  if (measure === 'level' || measure === 'difference') return 1
  return measure === 'factor' ? level : null
}

/**
 * Says on every strip of components what it spans, in units of the series and as a share of the swing of
 * sales: a strip that looks lively may be small.
 *
 * @example `spans 2.1 thousand litres, 6% of the swing of sales`
 */
export function withSpans(
  strips: readonly Strip[],
  comparison: Comparison,
  { scale, noun, says }: Pick<StripSources, 'scale' | 'noun' | 'says'>,
): Strip[] {
  return strips.map((strip) => {
    const range = rangeOfStrip(strip)
    const units = unitsOf(strip, comparison)
    if (!range || units === null || !(comparison.swing > 0)) return strip
    const span = (range.high - range.low) * units
    const share = (100 * span) / comparison.swing
    const size = says.decimals(span / scale.divisor, scale.decimals)
    const spans = `spans ${size}, ${says.decimals(share, share < 10 ? 1 : 0)}% of the swing of ${noun}`
    return { ...strip, spans }
  })
}

/**
 * Gives every strip of components the vertical scale on which a pixel stands for as much on all of them: the
 * coarsest that any of them needs.
 */
export function onOneScale(strips: readonly Strip[], comparison: Comparison): Strip[] {
  const sized = strips.map((strip) => {
    const range = rangeOfStrip(strip)
    const units = unitsOf(strip, comparison)
    return range && units ? { range, units } : null
  })
  const perShare = strips.reduce((most, { share }, i) => {
    const own = sized[i]
    return own ? Math.max(most, ((own.range.high - own.range.low) * own.units) / share) : most
  }, 0)
  if (perShare === 0) return [...strips]
  return strips.map((strip, i) => {
    const own = sized[i]
    if (!own) return strip
    const middle = (own.range.low + own.range.high) / 2
    const half = (perShare * strip.share) / own.units / 2
    return { ...strip, fixed: { low: middle - half, high: middle + half } }
  })
}
