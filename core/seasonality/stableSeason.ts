import { mean } from '../statistics/average'
import { upperChiSquared, upperF } from '../statistics/distributions'

/** An F statistic with its degrees of freedom; undefined when nothing varies within the groups. */
export interface FTest {
  readonly f: number | null
  readonly df: readonly [between: number, within: number]
  readonly p: number | null
}

/**
 * Stable seasonality: one-way analysis of variance of the seasonal-irregular by season. A large F says that
 * seasons differ by more than the years of one season do.
 *
 * @param groups the values of each season
 * @see Shiskin, J., Young, A. H. & Musgrave, J. C. (1967), Bureau of the Census Technical Paper 15
 * @example stableSeason([[1, 2], [5, 6]]).f // 32
 */
export function stableSeason(groups: readonly (readonly number[])[]): FTest {
  const used = groups.filter((group) => group.length > 0)
  const all = used.flat()
  const centre = mean(all) ?? 0
  let between = 0
  let within = 0
  for (const group of used) {
    const own = mean(group)!
    between += group.length * (own - centre) ** 2
    for (const value of group) within += (value - own) ** 2
  }
  return fTest(between, within, used.length - 1, all.length - used.length)
}

/** F of two sums of squares; undefined without degrees of freedom or without variation to compare with. */
export function fTest(between: number, within: number, betweenDf: number, withinDf: number): FTest {
  const df = [betweenDf, withinDf] as const
  // What is left of a perfect pattern is rounding, not variation.
  if (betweenDf < 1 || withinDf < 1 || within <= 1e-26 * (between + within)) {
    return { f: null, df, p: null }
  }
  const f = between / betweenDf / (within / withinDf)
  return { f, df, p: upperF(f, betweenDf, withinDf) }
}

/** Kruskal–Wallis statistic; undefined when all values are alike. */
export interface KruskalWallis {
  readonly h: number | null
  /** What H was divided by for ties; 1 without any. */
  readonly tieFactor: number
  readonly df: number
  readonly p: number | null
}

/**
 * Kruskal–Wallis test of the same question on ranks, which a freak value cannot sway; mid-ranks, corrected
 * for ties.
 *
 * @param groups the values of each season
 * @see Kruskal, W. H. & Wallis, W. A. (1952), Journal of the American Statistical Association 47, 583–621
 * @example kruskalWallis([[1, 2], [5, 6]]).h // 2.4
 */
export function kruskalWallis(groups: readonly (readonly number[])[]): KruskalWallis {
  const used = groups.filter((group) => group.length > 0)
  const { rankOf, ties } = midRanks(used.flat())
  const n = used.reduce((sum, group) => sum + group.length, 0)
  const df = used.length - 1
  const tieFactor = n > 1 ? 1 - ties / (n ** 3 - n) : 0
  if (df < 1 || tieFactor <= 0) return { h: null, tieFactor, df, p: null }
  const squares = used.reduce(
    (sum, group) =>
      sum + group.reduce((total, value) => total + rankOf(value), 0) ** 2 / group.length,
    0,
  )
  const h = ((12 / (n * (n + 1))) * squares - 3 * (n + 1)) / tieFactor
  return { h, tieFactor, df, p: upperChiSquared(h, df) }
}

/** Values this near, as a share of the largest, are the same. */
const TIE = 1e-12

/** Ranks from 1, equal values sharing their mean rank, and Σ(t³ − t) over groups of equal values. */
function midRanks(values: readonly number[]) {
  const sorted = [...values].sort((a, b) => a - b)
  // Ratios that are the same come out of a division a rounding apart.
  const tie = TIE * Math.max(Math.abs(sorted[0] ?? 0), Math.abs(sorted.at(-1) ?? 0))
  const ranks = new Map<number, number>()
  let ties = 0
  for (let i = 0; i < sorted.length;) {
    let after = i
    while (after < sorted.length && sorted[after]! - sorted[i]! <= tie) after++
    const count = after - i
    for (let k = i; k < after; k++) ranks.set(sorted[k]!, (i + 1 + after) / 2)
    ties += count ** 3 - count
    i = after
  }
  return { rankOf: (value: number) => ranks.get(value)!, ties }
}
