import { autocorrelation, autocorrelationLimit } from '../autocorrelation/autocorrelation'
import { ljungBox, type LjungBox } from '../autocorrelation/ljungBox'
import { withoutEnds } from '../autocorrelation/withoutGap'
import type { Value } from '../series/series'
import { upperChiSquared } from '../statistics/distributions'

/** Whether residuals are shaped like a normal distribution. */
export interface JarqueBera {
  readonly skewness: number
  /** 3 for a normal distribution. */
  readonly kurtosis: number
  readonly statistic: number
  readonly p: number
}

/** Ljung–Box over so many lags, and whether it finds a wave. */
export interface WaveTest extends LjungBox {
  /** p once it is allowed for what was estimated from the same values. */
  readonly allowedP: number
  readonly waves: boolean
}

/** What residuals say of the model that left them. */
export interface ResidualTests {
  /** At one and at two years; none with a gap inside, when nothing is left, and for lags that are too long. */
  readonly ljungBox: readonly WaveTest[]
  /** From lag 1; null with a gap inside, or when nothing is left. */
  readonly autocorrelation: readonly number[] | null
  readonly limit: Value
  readonly jarqueBera: JarqueBera | null
}

/** A yearly series is looked at over this many years, twice. */
const FEWEST_LAGS = 2

/**
 * Ljung–Box at one and two years, autocorrelations that far, and Jarque–Bera.
 *
 * @param residuals one a period, null = missing
 * @param seasons m
 * @param estimated p, the coefficients that were fitted
 */
export function testResiduals(
  residuals: readonly Value[],
  seasons: number,
  estimated: number,
): ResidualTests {
  const { inner } = withoutEnds(residuals)
  const year = Math.max(seasons, FEWEST_LAGS)
  const r = inner.includes(null) ? null : autocorrelation(inner as readonly number[], 2 * year)
  const lags = [year, 2 * year].filter((lag) => lag < inner.length)
  return {
    ljungBox: r ? lags.map((lag) => waveTest(r, inner.length, lag, estimated)) : [],
    autocorrelation: r,
    limit: r && autocorrelationLimit(inner.length),
    jarqueBera: jarqueBera(inner.filter((value) => value !== null)),
  }
}

/** Of a test that is asked of every regression: below this it is no chance. */
const SURE = 0.01

/**
 * Columns that were fitted take their share of the residuals, so that correlations of what is left come out too
 * large: of white noise of five years, with thirteen coefficients, the plain test finds waves in one series of eight.
 * So Q is taken by the share (n − p)/n of freedom that is left, which brings that to one in twenty-five.
 */
function waveTest(r: readonly number[], count: number, lag: number, estimated: number): WaveTest {
  const test = ljungBox(r, count, lag)
  const allowedP = upperChiSquared((test.q * Math.max(1, count - estimated)) / count, lag)
  return { ...test, allowedP, waves: allowedP <= SURE }
}

/**
 * n/6 · (S² + (K − 3)²/4) of skewness S and kurtosis K, moments with divisor n, chi-squared with 2 degrees of freedom.
 *
 * @returns undefined for values that do not vary
 * @see Jarque, C. M. & Bera, A. K. (1987), International Statistical Review 55, 163–172
 * @example of −2, −1, 0, 1, 2: skewness 0, kurtosis 1.7, statistic 0.352
 */
export function jarqueBera(values: readonly number[]): JarqueBera | null {
  const n = values.length
  const centre = values.reduce((sum, value) => sum + value, 0) / n
  const largest = values.reduce((most, value) => Math.max(most, Math.abs(value - centre)), 0)
  if (!(largest > 0)) return null
  // Fourth powers of very small residuals would be 0; as shares of the largest they are what they are.
  const moment = (power: number) =>
    values.reduce((sum, value) => sum + ((value - centre) / largest) ** power, 0) / n
  const variance = moment(2)
  const skewness = moment(3) / variance ** 1.5
  const kurtosis = moment(4) / variance ** 2
  const statistic = (n / 6) * (skewness ** 2 + (kurtosis - 3) ** 2 / 4)
  return { skewness, kurtosis, statistic, p: upperChiSquared(statistic, 2) }
}
