import { mean } from '../statistics/average'
import { tQuantile, twoSidedT, upperF } from '../statistics/distributions'
import type { Value } from '../series/series'
import type { DesignFit } from './fitDesign'

/** One coefficient with what is known about it. */
export interface Term {
  readonly name: string
  /** As it is read: `time code`, `May`. */
  readonly label: string
  readonly estimate: number
  readonly standardError: number
  /** Undefined for a perfect fit, whose standard errors are 0. */
  readonly t: Value
  /** Two-sided. */
  readonly p: Value
  /** Confidence limits, 95% where no other level is asked for. */
  readonly lower: number
  readonly upper: number
}

/** The figures of a regression that do not depend on what its columns mean. */
export interface RegressionFigures {
  readonly terms: readonly Term[]
  readonly n: number
  /** Residual degrees of freedom, n − p less what was estimated before. */
  readonly df: number
  /** Residual sum of squares, and that around the mean, in squared units of y. */
  readonly sse: number
  readonly sst: number
  readonly r2: Value
  readonly adjustedR2: Value
  /** Residual standard deviation, divisor df, in units of y. */
  readonly s: number
  readonly f: Value
  readonly fp: Value
  readonly aic: Value
  readonly aicc: Value
  readonly bic: Value
  readonly durbinWatson: Value
}

const CONFIDENCE = 95

/**
 * Coefficients, tests and measures of fit of a least-squares regression.
 *
 * With n observations, p columns (the constant included) and SSE the residual sum of squares:
 * s = √(SSE/(n−p)); R² = 1 − SSE/Σ(y−ȳ)²; F = (R²/(p−1)) / ((1−R²)/(n−p));
 * AIC = n ln(SSE/n) + 2(p+1), AICc = AIC + 2(p+1)(p+2)/(n−p−2), BIC with ln n for 2.
 *
 * @param confidence of the limits, in per cent
 * @returns t, p, F, the information criteria and Durbin–Watson are undefined for a perfect fit;
 *   R² is undefined when y is constant. Neighbours for Durbin–Watson are neighbours in time.
 * @see Draper, N. R. & Smith, H. (1998), Applied Regression Analysis, 3rd ed., ch. 1–5
 * @see Hurvich, C. M. & Tsai, C.-L. (1989), Biometrika 76, 297–307 (AICc)
 */
export function regressionFigures(fit: DesignFit, confidence = CONFIDENCE): RegressionFigures {
  const { n, p, df, sse, y, columns } = fit
  const s = Math.sqrt(sse / df)
  const perfect = sse === 0
  const named = [{ name: 'constant', label: 'constant' }, ...columns]
  const term = termsOf(fit, confidence)
  const terms = named.map(({ name, label }, j) =>
    term(
      name,
      label,
      named.map((_, i) => (i === j ? 1 : 0)),
    ),
  )
  const centre = mean(y)!
  const constant = y.every((value) => value === y[0])
  let total = 0
  for (const value of y) total += (value - centre) ** 2
  // Squares of values below 1e-162 are 0, and nothing is left to compare with.
  // With a constant the columns never explain less than nothing; rounding may.
  const explained = Math.max(0, total - sse)
  const r2 = constant || total === 0 ? null : p === 1 ? 0 : explained / total
  const f = perfect || r2 === null || p === 1 ? null : explained / (p - 1) / (sse / df)

  return {
    terms,
    n,
    df,
    sse,
    sst: total,
    r2,
    adjustedR2: r2 === null ? null : 1 - ((1 - r2) * (n - 1)) / df,
    s,
    f,
    fp: f === null ? null : upperF(f, p - 1, df),
    ...criteriaOfFit({ n, p: n - df, sse }),
    durbinWatson: perfect ? null : durbinWatson(fit.residualsInTime),
  }
}

/**
 * What regressions of the same values are compared by, the lower the better; the variance counts as a number too.
 *
 * @returns undefined for a perfect fit, AICc also where too few values are left
 */
export function criteriaOfFit({
  n,
  p,
  sse,
}: Pick<DesignFit, 'n' | 'p' | 'sse'>): Pick<RegressionFigures, 'aic' | 'aicc' | 'bic'> {
  if (sse === 0) return { aic: null, aicc: null, bic: null }
  const parameters = p + 1
  const likelihood = n * Math.log(sse / n)
  const aic = likelihood + 2 * parameters
  const room = n - p - 2
  return {
    aic,
    aicc: room <= 0 ? null : aic + (2 * parameters * (parameters + 1)) / room,
    bic: likelihood + parameters * Math.log(n),
  }
}

/**
 * Weighted sums of the coefficients of a fit, each with what is known about it: a coefficient itself, or an effect
 * that is made of several.
 *
 * @param confidence of the limits, in per cent
 * @returns from a name and the weights, the constant's first
 */
export function termsOf(
  fit: DesignFit,
  confidence = CONFIDENCE,
): (name: string, label: string, weights: readonly number[]) => Term {
  const { df } = fit
  const s = Math.sqrt(fit.sse / df)
  const reach = tQuantile(confidence, df)
  return (name, label, weights) => {
    const estimate = weights.reduce((sum, w, j) => sum + w * fit.coefficients[j]!, 0)
    const standardError = s * Math.sqrt(fit.varianceOf(weights))
    const t = standardError === 0 ? null : estimate / standardError
    return {
      ...{ name, label, estimate, standardError, t },
      p: t === null ? null : twoSidedT(t, df),
      lower: estimate - reach * standardError,
      upper: estimate + reach * standardError,
    }
  }
}

/**
 * Durbin–Watson: squared differences of neighbouring residuals over all squared residuals. About
 * 2 without pattern, towards 0 when neighbours are alike.
 *
 * @param residuals one a period, null = missing; a pair counts only when both are present
 * @returns undefined when nothing is left over
 * @see Durbin, J. & Watson, G. S. (1950), Biometrika 37, 409–428
 */
export function durbinWatson(residuals: readonly Value[]): Value {
  let differences = 0
  let squares = 0
  residuals.forEach((residual, i) => {
    if (residual === null) return
    squares += residual * residual
    const before = i === 0 ? null : residuals[i - 1]!
    if (before !== null) differences += (residual - before) ** 2
  })
  return squares === 0 ? null : differences / squares
}
