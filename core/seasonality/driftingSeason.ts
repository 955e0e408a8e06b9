import { fTest, type FTest } from './stableSeason'

/** Whether the seasons move against one another over the years, and which moves most. */
export interface DriftingSeason extends FTest {
  /** Season that moves most, 1..m, and by how much from its first year to its last; null without a test. */
  readonly most: { readonly season: number; readonly from: number; readonly to: number } | null
}

/**
 * A season that drifts: a line through each season's own values over the years, against their mean. A season whose
 * peak wanders from June to April keeps its size, so that a test of sizes does not see it; its lines do.
 *
 * @param groups the seasonal-irregulars of each season in the order of the years, with their year from 0
 * @returns undefined figures with fewer than three values in a season
 * @example a January that rises by 0.01 a year and a July that falls by as much: a large F
 */
export function driftingSeason(
  groups: readonly (readonly { readonly year: number; readonly value: number }[])[],
): DriftingSeason {
  let explained = 0
  let left = 0
  let count = 0
  let most: DriftingSeason['most'] = null
  for (const [k, group] of groups.entries()) {
    if (group.length < 3) continue
    const n = group.length
    const year = group.reduce((sum, one) => sum + one.year, 0) / n
    const level = group.reduce((sum, one) => sum + one.value, 0) / n
    let [sxx, sxy, syy] = [0, 0, 0]
    for (const one of group) {
      sxx += (one.year - year) ** 2
      sxy += (one.year - year) * (one.value - level)
      syy += (one.value - level) ** 2
    }
    const slope = sxx > 0 ? sxy / sxx : 0
    explained += slope * sxy
    left += Math.max(0, syy - slope * sxy)
    count += n - 2
    const at = (one: { readonly year: number }) => level + slope * (one.year - year)
    const [from, to] = [at(group[0]!), at(group.at(-1)!)]
    if (!most || Math.abs(to - from) > Math.abs(most.to - most.from))
      most = { season: k + 1, from, to }
  }
  // The ratios of a year average about the baseline, so one of the slopes follows from the others.
  const seasons = groups.filter((group) => group.length >= 3).length
  return { ...fTest(explained, left, Math.max(0, seasons - 1), count), most }
}
