import { Matrix, QrDecomposition } from 'ml-matrix'
import { mean } from '../statistics/average'
import { Refusal } from '../refusal'

/** A column of a regression beside the constant. */
export interface RegressionColumn {
  readonly name: string
  readonly values: readonly number[]
}

/** A least-squares fit of y on a constant and columns. */
export interface LeastSquares {
  /** The constant first, then one a column, in the units of y per unit of the column. */
  readonly coefficients: readonly number[]
  readonly fitted: readonly number[]
  readonly residuals: readonly number[]
  /** Residual sum of squares, in squared units of y; exactly 0 for a perfect fit. */
  readonly sse: number
  /** n, the observations. */
  readonly n: number
  /** p, every column, the constant included. */
  readonly p: number
  /**
   * x₀ᵀ(XᵀX)⁻¹x₀ at one point, what the uncertainty of the fit there is proportional to.
   * `x` has one entry a column, without the constant.
   */
  leverage(x: readonly number[]): number
  /** Square roots of the diagonal of (XᵀX)⁻¹, the constant first: standard errors are s times these. */
  readonly unitErrors: readonly number[]
}

/** Share of a column's own length that must be left after the columns before it. */
const DEPENDENT = 1e-10
/** Below this share of Σy² the residuals are rounding, and the fit is perfect. */
const PERFECT = 1e-26

/**
 * Least squares by Householder QR of the centred columns.
 *
 * Centring takes the constant out of the decomposition, which keeps a time code of thousands from
 * drowning its own slope; the normal equations would square that loss and are never formed.
 *
 * @param y n observations
 * @param columns k columns of n values each, without the constant
 * @param where path in the document of what is fitted, for a refusal
 * @throws Refusal when there are not more observations than columns, or when a column depends on
 *   the constant and the columns before it
 * @see Golub, G. H. & Van Loan, C. F. (2013), Matrix Computations, 4th ed., sec. 5.3
 * @example leastSquares([1, 3, 5], [{ name: 't', values: [1, 2, 3] }]).coefficients // [-1, 2]
 */
export function leastSquares(
  y: readonly number[],
  columns: readonly RegressionColumn[],
  where = 'regression',
): LeastSquares {
  const n = y.length
  const p = columns.length + 1
  if (n <= p) {
    throw new Refusal(
      `A regression with ${p} coefficients needs at least ${p + 1} values; there are ${n}.`,
      where,
    )
  }
  const centreOfY = mean(y)!
  const centres = columns.map((column) => mean(column.values)!)
  const slopes = columns.length === 0 ? null : solveCentred(y, centreOfY, columns, centres, where)

  const coefficients = slopes
    ? [
        slopes.solution.reduce((sum, slope, j) => sum - slope * centres[j]!, centreOfY),
        ...slopes.solution,
      ]
    : [centreOfY]
  const fitted = y.map((_, i) =>
    columns.reduce(
      (sum, column, j) => sum + coefficients[j + 1]! * (column.values[i]! - centres[j]!),
      centreOfY,
    ),
  )
  const rawResiduals = y.map((value, i) => value - fitted[i]!)
  const rawSse = sumOfSquares(rawResiduals)
  const perfect = rawSse <= PERFECT * sumOfSquares(y)

  const leverage = (x: readonly number[]) =>
    1 / n + (slopes ? slopes.squaredLength(x.map((value, j) => value - centres[j]!)) : 0)
  const unit = (j: number) => columns.map((_, i) => (i === j ? 1 : 0))
  return {
    coefficients,
    fitted,
    residuals: perfect ? y.map(() => 0) : rawResiduals,
    sse: perfect ? 0 : rawSse,
    n,
    p,
    leverage,
    unitErrors: [
      Math.sqrt(leverage(columns.map(() => 0))),
      ...columns.map((_, j) => Math.sqrt(slopes!.squaredLength(unit(j)))),
    ],
  }
}

interface CentredSolution {
  readonly solution: readonly number[]
  /** zᵀ(RᵀR)⁻¹z for a centred point z. */
  squaredLength(z: readonly number[]): number
}

function solveCentred(
  y: readonly number[],
  centreOfY: number,
  columns: readonly RegressionColumn[],
  centres: readonly number[],
  where: string,
): CentredSolution {
  const lengths = columns.map((column, j) =>
    Math.sqrt(sumOfSquares(column.values.map((value) => value - centres[j]!))),
  )
  columns.forEach((column, j) => {
    const largest = column.values.reduce((most, value) => Math.max(most, Math.abs(value)), 0)
    if (lengths[j]! <= DEPENDENT * largest * Math.sqrt(column.values.length)) {
      throw new Refusal(
        `The column ${column.name} does not vary, so it cannot be told from the constant.`,
        where,
      )
    }
  })
  if (columns.length === 1) return solveAlone(y, centreOfY, columns[0]!, centres[0]!, lengths[0]!)
  // Columns are brought to length 1, so that the decomposition sees no difference of units.
  const design = new Matrix(
    y.map((_, i) => columns.map((column, j) => (column.values[i]! - centres[j]!) / lengths[j]!)),
  )
  const qr = new QrDecomposition(design)
  const r = qr.upperTriangularMatrix
  columns.forEach((column, j) => {
    if (Math.abs(r.get(j, j)) <= DEPENDENT) {
      const others = columns.slice(0, j).map((earlier) => earlier.name)
      throw new Refusal(
        `The column ${column.name} says nothing that ${others.join(', ')} do not say already.`,
        where,
      )
    }
  })
  const scaled = qr.solve(Matrix.columnVector(y.map((value) => value - centreOfY)))
  return {
    solution: columns.map((_, j) => scaled.get(j, 0) / lengths[j]!),
    squaredLength: (z) =>
      sumOfSquares(
        forwardSolve(
          r,
          z.map((value, j) => value / lengths[j]!),
        ),
      ),
  }
}

/** One column alone, brought to length 1, is its own Q, and R is its length: nothing to decompose. */
function solveAlone(
  y: readonly number[],
  centreOfY: number,
  { values }: RegressionColumn,
  centre: number,
  length: number,
): CentredSolution {
  let along = 0
  values.forEach((value, i) => (along += ((value - centre) / length) * (y[i]! - centreOfY)))
  return { solution: [along / length], squaredLength: ([z]) => (z! / length) ** 2 }
}

/** Solves Rᵀv = z for an upper triangular R. */
function forwardSolve(r: Matrix, z: readonly number[]): number[] {
  const v: number[] = []
  for (let j = 0; j < z.length; j++) {
    let rest = z[j]!
    for (let i = 0; i < j; i++) rest -= r.get(i, j) * v[i]!
    v.push(rest / r.get(j, j))
  }
  return v
}

function sumOfSquares(values: readonly number[]): number {
  let sum = 0
  for (const value of values) sum += value * value
  return sum
}
