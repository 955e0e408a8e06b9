import { withoutGap } from '../autocorrelation/withoutGap'
import { powersOfTime } from '../regression/design'
import { fitDesign } from '../regression/fitDesign'
import { TIME_CODE } from '../regression/timeVariable'
import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { mean } from '../statistics/average'

/** What a series is thought to be stationary around: its mean, or a straight line. */
export type StationaryAround = 'level' | 'trend'

/** The KPSS test of stationarity. */
export interface Kpss {
  readonly lags: number
  readonly longRunVariance: number
  /** η */
  readonly statistic: number
  /** Critical values by level in per cent. */
  readonly critical: Readonly<Record<'10' | '5' | '2.5' | '1', number>>
  /** Whether stationarity is rejected at 5%: the series wanders. */
  readonly rejects: boolean
}

const FEWEST_VALUES = 5
export const CRITICAL: Record<StationaryAround, Kpss['critical']> = {
  level: { '10': 0.347, '5': 0.463, '2.5': 0.574, '1': 0.739 },
  trend: { '10': 0.119, '5': 0.146, '2.5': 0.176, '1': 0.216 },
}

/**
 * KPSS test: do the sums of the departures from the level (or line) wander further than those of a
 * stationary series?
 *
 * η = Σ(Σe)² ÷ (n²σ²), σ² the long-run variance with ⌊4(n/100)^¼⌋ weighted autocovariances.
 *
 * @param values one a period; undefined ends are passed over
 * @throws Refusal for a gap inside, fewer than five values, and a series without any departure
 * @see Kwiatkowski, D., Phillips, P. C. B., Schmidt, P. & Shin, Y. (1992), Journal of Econometrics 54, 159–178
 */
export function kpss(values: readonly Value[], around: StationaryAround): Kpss {
  const { values: y } = withoutGap(values, 'The KPSS test')
  const n = y.length
  if (n < FEWEST_VALUES) {
    throw new Refusal(
      `The KPSS test needs at least ${FEWEST_VALUES} values; there are ${n}.`,
      'series',
    )
  }
  const centre = mean(y)!
  const fitted = around === 'trend' ? lineOf(y) : y.map(() => centre)
  const e = y.map((value, i) => value - fitted[i]!)
  const lags = kpssLags(n)
  const productAt = (lag: number) => {
    let sum = 0
    for (let t = lag; t < n; t++) sum += e[t]! * e[t - lag]!
    return sum
  }
  let variance = productAt(0)
  const largest = y.reduce((most, value) => Math.max(most, Math.abs(value)), 0)
  if (Math.sqrt(variance / n) <= 1e-12 * largest) {
    throw new Refusal(
      'The KPSS test needs a series that varies; this one has no departures.',
      'series',
    )
  }
  for (let lag = 1; lag <= lags; lag++) variance += 2 * (1 - lag / (lags + 1)) * productAt(lag)
  variance /= n
  let sum = 0
  let squares = 0
  for (const departure of e) {
    sum += departure
    squares += sum * sum
  }
  const statistic = squares / (n * n * variance)
  const critical = CRITICAL[around]
  return {
    lags,
    longRunVariance: variance,
    statistic,
    critical,
    rejects: statistic > critical['5'],
  }
}

/** ⌊4(n/100)^¼⌋ */
export function kpssLags(count: number): number {
  return Math.floor(4 * (count / 100) ** 0.25)
}

/** The least-squares line through values, at each of them. */
function lineOf(y: readonly number[]): readonly number[] {
  return fitDesign(y, 1, powersOfTime(1, TIME_CODE), 'series').fitted
}
