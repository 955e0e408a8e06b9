import { Matrix, QrDecomposition } from 'ml-matrix'
import { upperF } from '../../statistics/distributions'
import type { Value } from '../../series/series'

/** F of several effects at once, with its degrees of freedom and p; undefined where nothing is left over. */
export interface JointF {
  readonly f: Value
  readonly df1: number
  readonly df2: number
  readonly p: Value
}

/** Effects on the scale of the regression, one a column. */
interface Effects {
  readonly coefficients: readonly number[]
  readonly covariance: readonly (readonly number[])[]
}

/**
 * Whether some effects are all nothing, by what is known of them alone: F = bᵀC⁻¹b ÷ their number.
 *
 * @param of all effects, and their covariance
 * @param places of those that are tested
 * @param df2 degrees of freedom of what is left over
 * @returns no F where nothing is left over, as there is no covariance then
 */
export function jointTest(
  { coefficients, covariance }: Effects,
  places: readonly number[],
  df2: number,
): JointF {
  const df1 = places.length
  const own = places.map((i) => coefficients[i]!)
  const block = new Matrix(places.map((i) => places.map((j) => covariance[i]![j]!)))
  const qr = new QrDecomposition(block)
  if (!qr.isFullRank()) return { f: null, df1, df2, p: null }
  const solved = qr.solve(Matrix.columnVector(own))
  const f =
    Math.max(
      0,
      own.reduce((sum, b, i) => sum + b * solved.get(i, 0), 0),
    ) / df1
  return { f, df1, df2, p: upperF(f, df1, df2) }
}
