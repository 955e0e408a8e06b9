import { orNull } from '../refusal'
import type { Value } from '../series/series'
import { CRITICAL, kpss, kpssLags } from '../stationarity/kpss'
import { difference } from '../stationarity/difference'

/** A test of whether one more difference is needed. */
export interface DifferenceTest {
  /** First differences that were taken before it. */
  readonly d: number
  readonly n: number
  readonly lags: number
  /** Undefined for a constant series, which stays where it is. */
  readonly statistic: Value
  readonly critical: number
  readonly rejected: boolean
}

/** How often values are differenced, and why. */
export interface ChosenDifferences {
  /** Window of the loess whose season is asked for its strength; null where no season is looked for. */
  readonly seasonalWindow: number | 'periodic' | null
  readonly seasonStrength: Value
  readonly D: number
  readonly d: number
  readonly tests: readonly DifferenceTest[]
}

/** A season as strong as this is differenced by the year. */
export const STRONG_SEASON = 0.64

/**
 * How often to take first differences: until the KPSS test finds a level, or no more are allowed.
 *
 * @param values on the scale of the model, differenced by the season already where they are to be
 * @param most that are allowed
 * @see Kwiatkowski, D. et al. (1992), Journal of Econometrics 54, 159–178
 */
export function chooseFirstDifferences(
  values: readonly Value[],
  most: number,
): Pick<ChosenDifferences, 'd' | 'tests'> {
  const tests: DifferenceTest[] = []
  let rest = values
  let d = 0
  while (d < most) {
    const test = testLevel(rest, d)
    tests.push(test)
    if (!test.rejected) break
    rest = difference(rest, 'first', 1)
    d++
  }
  return { d, tests }
}

/** The values in their order, gaps passed over. */
function testLevel(values: readonly Value[], d: number): DifferenceTest {
  const own = values.filter((value) => value !== null)
  const found = orNull(() => kpss(own, 'level'))
  return {
    d,
    n: own.length,
    lags: found?.lags ?? kpssLags(own.length),
    statistic: found?.statistic ?? null,
    critical: CRITICAL.level['5'],
    rejected: found?.rejects ?? false,
  }
}
