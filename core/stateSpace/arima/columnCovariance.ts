import { Matrix, QrDecomposition } from 'ml-matrix'
import type { ArimaFit } from './fit'
import { filter, ready } from './likelihood'

/**
 * The covariance of what a model found of its columns, mean and drift among them, the ARMA coefficients taken for known: s² times
 * the inverse of XᵀV⁻¹X, by QR of the filtered columns.
 *
 * @param where path in the document, for a refusal
 * @returns one row a column, in their order
 * @see Harvey, A. C. (1989), Forecasting, Structural Time Series Models and the Kalman Filter, sec. 3.4
 */
export function columnCovariance(fit: ArimaFit, where: string): number[][] {
  const { data, coefficients, s2 } = fit
  const count = data.columns.length
  if (count === 0) return []
  const { errors, variances, counts } = filter(ready(data, where), coefficients)!
  const rows = [...counts.keys()].filter((t) => counts[t])
  const columns = errors.slice(1).map((own) => rows.map((t) => own[t]! / Math.sqrt(variances[t]!)))
  // Columns of very different lengths would tell the rank of the smallest wrongly.
  const lengths = columns.map((own) => Math.hypot(...own))
  const design = new Matrix(columns.map((own, j) => own.map((one) => one / lengths[j]!)))
  const upper = new QrDecomposition(design.transpose()).upperTriangularMatrix
  const inverse = new QrDecomposition(upper).solve(Matrix.eye(count))
  const covariance = inverse.mmul(inverse.transpose())
  return lengths.map((own, i) =>
    lengths.map((other, j) => (s2 * covariance.get(i, j)) / (own * other)),
  )
}
