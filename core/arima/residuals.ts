import { autocorrelation, autocorrelationLimit } from '../autocorrelation/autocorrelation'
import { ljungBox, type LjungBox } from '../autocorrelation/ljungBox'
import { withoutEnds } from '../autocorrelation/withoutGap'
import { jarqueBera, type JarqueBera } from '../regression/residualTests'
import { shapeWords } from '../regression/residualWords'
import type { Value } from '../series/series'
import { upperChiSquared } from '../statistics/distributions'
import { lengthsOf, type ArimaOrder } from '../stateSpace/arima/order'
import { figure, probability } from '../words/figure'

/** Ljung–Box with the freedom that coefficients take; p undefined where none is left. */
export interface SpentLjungBox extends Omit<LjungBox, 'p'> {
  readonly p: Value
}

/** What the residuals of a model say of it. */
export interface ArimaResidualTests {
  /** Over a year and over two; none with missing values. */
  readonly ljungBox: readonly SpentLjungBox[]
  readonly autocorrelation: readonly number[] | null
  readonly limit: Value
  readonly jarqueBera: JarqueBera | null
}

/** Below this it is no chance. */
const SURE = 0.01
/** What has no season is looked at over this many lags, and twice. */
const FEWEST_LAGS = 4

/** The lags to look over: those of a season, or a few. */
export function lagsOfYear(seasons: number): number {
  return seasons > 1 ? seasons : FEWEST_LAGS
}

/**
 * Tests of the residuals v/√F, their mean taken off; each autoregressive and moving-average coefficient takes a degree of freedom
 * of Ljung–Box.
 *
 * @param residuals one a period, null where nothing is predicted or nothing came
 * @param year lags that are looked over, once and twice ({@link lagsOfYear})
 */
export function testArimaResiduals(
  residuals: readonly Value[],
  order: ArimaOrder,
  year: number,
): ArimaResidualTests {
  const { inner } = withoutEnds(residuals)
  const isWhole = inner.length > 0 && !inner.includes(null)
  const r = isWhole ? autocorrelation(inner as readonly number[], 2 * year) : null
  const spent = lengthsOf(order).reduce((sum, own) => sum + own, 0)
  return {
    ljungBox: r
      ? [year, 2 * year]
          .filter((lag) => lag < inner.length)
          .map((lag) => withSpent(ljungBox(r, inner.length, lag), spent))
      : [],
    autocorrelation: r,
    limit: r && autocorrelationLimit(inner.length),
    jarqueBera: inner.length > 0 ? jarqueBera(inner.filter((value) => value !== null)) : null,
  }
}

function withSpent(test: LjungBox, spent: number): SpentLjungBox {
  const df = test.lag - spent
  return { ...test, df, p: df > 0 ? upperChiSquared(test.q, df) : null }
}

/** Whether residuals still wave by a test. */
export function waves({ p }: SpentLjungBox): boolean {
  return p !== null && p <= SURE
}

/** The lag up to another whose autocorrelation stands out most; null where none is beyond noise. */
export function loudestLag(
  { autocorrelation, limit }: Pick<ArimaResidualTests, 'autocorrelation' | 'limit'>,
  upTo: number,
): Value {
  const r = autocorrelation?.slice(0, upTo) ?? []
  if (limit === null) return null
  const most = Math.max(0, ...r.map(Math.abs))
  return most > limit ? r.findIndex((own) => Math.abs(own) === most) + 1 : null
}

/** What the tests say, one sentence each; only where the test could be made. */
export function arimaResidualWords(tests: ArimaResidualTests): string[] {
  return [
    ...tests.ljungBox.flatMap((test) => {
      const { lag, q, df, p } = test
      if (p === null) return []
      const loudest = loudestLag(tests, lag)
      const words = waves(test)
        ? `the residuals still wave${loudest === null ? '' : `, most at lag ${loudest}`}`
        : 'no wave can be told from chance'
      return [`Over ${lag} lags ${words} (Ljung–Box ${figure(q)}, ${df} df, p ${probability(p)}).`]
    }),
    ...shapeWords(tests.jarqueBera),
  ]
}
