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
   * wᵀ(XᵀX)⁻¹w of weights on the coefficients, the constant first: s² times it is the variance of their weighted
   * sum. At a point (1, x₀) it is the leverage there.
   */
  varianceOf(weights: readonly number[]): number
}

/** Share of a column's own length that must be left after the columns before it. */
const DEPENDENT = 1e-10
/** A column of length 1 takes part in another with a weight above this; below, it is rounding. */
const TAKES_PART = 1e-6
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

  // b₀ = ȳ − Σ b_j x̄_j, so a weight on the constant is one on the mean of y and one on every slope.
  const varianceOf = ([w0, ...rest]: readonly number[]) =>
    w0! ** 2 / n + (slopes ? slopes.squaredLength(rest.map((w, j) => w - w0! * centres[j]!)) : 0)
  return {
    coefficients,
    fitted,
    residuals: perfect ? y.map(() => 0) : rawResiduals,
    sse: perfect ? 0 : rawSse,
    n,
    p,
    varianceOf,
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
        { column: column.name, columns: ['constant', column.name] },
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
      const shares = backSolve(r, j)
      const others = columns
        .slice(0, j)
        .flatMap(({ name }, k) => (Math.abs(shares[k]!) > TAKES_PART ? [name] : []))
      throw new Refusal(
        `The column ${column.name} says nothing that ${others.join(', ')} ${others.length === 1 ? 'does' : 'do'} not say already. Take one of them out.`,
        where,
        { column: column.name, columns: [...others, column.name] },
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

/** Solves Rc = r_j over the first j columns: what column j is made of. */
function backSolve(r: Matrix, j: number): number[] {
  const c = Array<number>(j).fill(0)
  for (let i = j - 1; i >= 0; i--) {
    let rest = r.get(i, j)
    for (let k = i + 1; k < j; k++) rest -= r.get(i, k) * c[k]!
    c[i] = rest / r.get(i, i)
  }
  return c
}

function sumOfSquares(values: readonly number[]): number {
  let sum = 0
  for (const value of values) sum += value * value
  return sum
}
