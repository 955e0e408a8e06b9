import { Matrix, QrDecomposition } from 'ml-matrix'
import { mean } from '../statistics/average'

/**
 * Residual sums of squares of regressions that take one column more each: entry k is that of the constant
 * and the first k columns.
 *
 * One QR decomposition answers all: each column's own direction takes its square out of the sum.
 *
 * @param y n observations
 * @param columns of n values each, without the constant; none may depend on the ones before it
 * @returns columns.length + 1 sums, in squared units of y
 * @see Golub, G. H. & Van Loan, C. F. (2013), Matrix Computations, 4th ed., sec. 5.3
 */
export function nestedResidualSquares(
  y: readonly number[],
  columns: readonly { readonly values: ArrayLike<number> }[],
): number[] {
  const centre = mean(y)!
  const centred = y.map((value) => value - centre)
  const design = new Matrix(y.length, columns.length)
  columns.forEach(({ values }, j) => {
    const own = Array.from(values)
    const middle = mean(own)!
    const length = Math.hypot(...own.map((value) => value - middle)) || 1
    own.forEach((value, i) => design.set(i, j, (value - middle) / length))
  })
  const q = new QrDecomposition(design).orthogonalMatrix
  const along = columns.map((_, j) =>
    centred.reduce((sum, value, i) => sum + value * q.get(i, j), 0),
  )
  const rest = centred.map(
    (value, i) => value - along.reduce((sum, share, j) => sum + share * q.get(i, j), 0),
  )
  const sums = [rest.reduce((sum, value) => sum + value * value, 0)]
  for (const share of [...along].reverse()) sums.unshift(sums[0]! + share * share)
  return sums
}
