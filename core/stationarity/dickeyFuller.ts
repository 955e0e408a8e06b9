import { withoutGap } from '../autocorrelation/withoutGap'
import { leastSquares, type RegressionColumn } from '../regression/leastSquares'
import { nestedResidualSquares } from '../regression/nestedFits'
import { Refusal } from '../refusal'
import type { Value } from '../series/series'

/** What a series is thought to vary around: a constant level, or a straight line. */
export type Deterministic = 'constant' | 'trend'

/** The augmented Dickey–Fuller test of a unit root. */
export interface DickeyFuller {
  readonly maxLag: number
  /** Periods of the regressions that the lag was chosen by. */
  readonly selectionCount: number
  /** AIC of lag 0, 1, … on those periods. */
  readonly aic: readonly number[]
  /** The lag with the smallest AIC. */
  readonly lag: number
  /** N, periods of the final regression. */
  readonly count: number
  /** ĝ, what a level of one unit adds to the next change. */
  readonly coefficient: number
  readonly standardError: number
  /** τ = ĝ ÷ its standard error. */
  readonly statistic: number
  /** Critical values by level in per cent. */
  readonly critical: Readonly<Record<'1' | '5' | '10', number>>
  /** Whether a unit root is rejected at 5%: the series comes back to its level (or line). */
  readonly rejects: boolean
}

const FEWEST_VALUES = 15
/** Degrees of freedom that the regression with the most lags must keep. */
const FEWEST_DF = 10

/** β∞, β₁, β₂, β₃ of the critical values (MacKinnon 2010, table 2, one variable). */
const CRITICAL: Record<Deterministic, Record<'1' | '5' | '10', readonly number[]>> = {
  constant: {
    '1': [-3.43035, -6.5393, -16.786, -79.433],
    '5': [-2.86154, -2.8903, -4.234, -40.04],
    '10': [-2.56677, -1.5384, -2.809, 0],
  },
  trend: {
    '1': [-3.95877, -9.0531, -28.428, -134.155],
    '5': [-3.41049, -4.3904, -9.036, -45.374],
    '10': [-3.12705, -2.5856, -3.925, -22.38],
  },
}

/**
 * Augmented Dickey–Fuller test: does the series come back to its level, or wander off?
 *
 * Δy(t) = a [+ b·t] + g·y(t−1) + Σ d(i)·Δy(t−i) + e(t); the number of lagged changes is the one with the
 * smallest AIC on common periods, and the regression is then fitted to all periods that it can use.
 *
 * @param values one a period; undefined ends are passed over
 * @throws Refusal for a gap inside, fewer than 15 values, and a series that is constant or exactly a line
 * @see Dickey, D. A. & Fuller, W. A. (1979), Journal of the American Statistical Association 74, 427–431
 * @see MacKinnon, J. G. (2010), Critical values for cointegration tests, Queen's Economics Department 1227
 */
export function dickeyFuller(values: readonly Value[], deterministic: Deterministic): DickeyFuller {
  const { values: y } = withoutGap(values, 'The Dickey–Fuller test')
  const n = y.length
  if (n < FEWEST_VALUES) {
    throw new Refusal(
      `The Dickey–Fuller test needs at least ${FEWEST_VALUES} values; there are ${n}.`,
      'series',
    )
  }
  const fixed = deterministic === 'trend' ? 2 : 1
  let maxLag = Math.floor(12 * (n / 100) ** 0.25)
  while (maxLag > 0 && n - 1 - maxLag - (fixed + 1 + maxLag) < FEWEST_DF) maxLag -= 1

  const selection = regressionOf(y, maxLag, maxLag, deterministic)
  // Refuses what cannot be told apart, by the name of the column.
  leastSquares(selection.changes, selection.columns)
  const selectionCount = selection.changes.length
  const squares = nestedResidualSquares(selection.changes, selection.columns).slice(fixed)
  if (squares.some((sse) => !(sse > 0))) throw tooRegular()
  const aic = squares.map(
    (sse, k) => selectionCount * Math.log(sse / selectionCount) + 2 * (fixed + 1 + k + 1),
  )
  const lag = aic.reduce((best, value, k) => (value < aic[best]! ? k : best), 0)

  const { changes, columns } = regressionOf(y, lag, lag, deterministic)
  const fit = leastSquares(changes, columns)
  const count = changes.length
  const coefficient = fit.coefficients[fixed]!
  const own = fit.coefficients.map((_, j) => (j === fixed ? 1 : 0))
  const standardError = Math.sqrt((fit.sse / (fit.n - fit.p)) * fit.varianceOf(own))
  if (standardError === 0) throw tooRegular()
  const critical = (level: '1' | '5' | '10') =>
    CRITICAL[deterministic][level].reduce((sum, beta, power) => sum + beta / count ** power, 0)
  const statistic = coefficient / standardError
  return {
    maxLag,
    selectionCount,
    aic,
    lag,
    count,
    coefficient,
    standardError,
    statistic,
    critical: { '1': critical('1'), '5': critical('5'), '10': critical('10') },
    rejects: statistic < critical('5'),
  }
}

function tooRegular(): Refusal {
  return new Refusal(
    'The Dickey–Fuller test needs a series that is not exactly regular: nothing is left over to test with.',
    'series',
  )
}

/** The changes from period skip + 2 on, and the columns that explain them, the trend first. */
function regressionOf(
  y: readonly number[],
  lags: number,
  skip: number,
  deterministic: Deterministic,
): { changes: number[]; columns: RegressionColumn[] } {
  const change = (t: number) => y[t]! - y[t - 1]!
  const periods = Array.from({ length: y.length - 1 - skip }, (_, i) => i + skip + 1)
  return {
    changes: periods.map(change),
    columns: [
      ...(deterministic === 'trend' ? [{ name: 't', values: periods.map((t) => t + 1) }] : []),
      { name: 'the level before', values: periods.map((t) => y[t - 1]!) },
      ...Array.from({ length: lags }, (_, i) => ({
        name: `the change ${i + 1} before`,
        values: periods.map((t) => change(t - i - 1)),
      })),
    ],
  }
}
