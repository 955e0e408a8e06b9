import { movingSeason, type MovingSeason } from '../../seasonality/movingSeason'
import {
  kruskalWallis,
  stableSeason,
  type FTest,
  type KruskalWallis,
} from '../../seasonality/stableSeason'
import type { Value } from '../../series/series'
import { seasonAt, yearAt, type Frame } from './frame'

/** What the tests together say. */
export type SeasonVerdict = 'present' | 'probably not present' | 'not present'

/** Tests of the season, on the seasonal-irregular as the series has it. */
export interface AdjustedTests {
  readonly stable: FTest
  readonly kruskalWallis: KruskalWallis
  readonly moving: MovingSeason
  /** null where one of the tests has no figure. */
  readonly combined: CombinedTest | null
}

export interface CombinedTest {
  readonly t1: number
  readonly t2: number
  readonly t: number
  readonly verdict: SeasonVerdict
}

/** Chances below which the season is stable, and ranks say so too; and below which it moves. */
const [STABLE, MOVES] = [0.001, 0.05]

/**
 * Whether there is a season that can be identified.
 *
 * @param siUnmodified the series less its trend, extremes included
 * @see Higginson, J. (1975); Lothian, J. & Morry, M. (1978), Statistics Canada
 */
export function testAdjusted(frame: Frame, siUnmodified: readonly number[]): AdjustedTests {
  const si = siUnmodified.slice(0, frame.n)
  const groups = Array.from({ length: frame.seasons }, (): number[] => [])
  const years = new Map<number, Value[]>()
  si.forEach((value, i) => {
    const season = seasonAt(frame, i) - 1
    groups[season]!.push(value)
    const year = yearAt(frame, i)
    const row = years.get(year) ?? Array<Value>(frame.seasons).fill(null)
    row[season] = value
    years.set(year, row)
  })
  const stable = stableSeason(groups)
  const ranks = kruskalWallis(groups)
  const moving = movingSeason(
    [...years].map(([year, values]) => ({ year, values })),
    frame.terms.neutral,
  )
  return { stable, kruskalWallis: ranks, moving, combined: combine(stable, moving, ranks) }
}

function combine(stable: FTest, moving: FTest, ranks: KruskalWallis): CombinedTest | null {
  if (stable.f === null || moving.f === null || ranks.p === null) return null
  const t1 = 7 / stable.f
  const t2 = (3 * moving.f) / stable.f
  const t = Math.sqrt((t1 + t2) / 2)
  const verdict = (): SeasonVerdict => {
    if (stable.p! > STABLE) return 'not present'
    if (moving.p! <= MOVES && t >= 1) return 'not present'
    return t1 >= 1 || t2 >= 1 || ranks.p! > STABLE ? 'probably not present' : 'present'
  }
  return { t1, t2, t, verdict: verdict() }
}
