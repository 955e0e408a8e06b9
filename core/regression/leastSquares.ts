import { Matrix, QrDecomposition } from 'ml-matrix'
import { mean } from '../statistics/average'
import { Refusal } from '../refusal'

/** A column of a regression beside the constant. */
export interface RegressionColumn {
  readonly name: string
  readonly values: ArrayLike<number>
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
  /**
   * By how much the residual sum of squares grows without these columns, the others kept: bᵀ(their block of (XᵀX)⁻¹)⁻¹b.
   *
   * @param places of the coefficients, the constant being 0; never the constant itself
   */
  lossWithout(places: readonly number[]): number
  /**
   * How much every observation takes part in a coefficient: its row of (XᵀX)⁻¹Xᵀ, so that b is the sum of these times y.
   *
   * @param place of the coefficient, from 1 on; never the constant
   */
  partsOf(place: number): Float64Array
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
  const centres = columns.map(({ values }) => meanOf(values))
  const slopes = columns.length === 0 ? null : solveCentred(y, centreOfY, columns, centres, where)
  const coefficients = slopes
    ? [
        slopes.solution.reduce((sum, slope, j) => sum - slope * centres[j]!, centreOfY),
        ...slopes.solution,
      ]
    : [centreOfY]
  const fitted = new Array<number>(n).fill(centreOfY)
  columns.forEach(({ values }, j) => {
    const [slope, centre] = [coefficients[j + 1]!, centres[j]!]
    for (let i = 0; i < n; i++) fitted[i]! += slope * (values[i]! - centre)
  })
  const rawResiduals = y.map((value, i) => value - fitted[i]!)
  const rawSse = sumOfSquares(rawResiduals)
  const perfect = rawSse <= PERFECT * sumOfSquares(y)
  return {
    coefficients,
    fitted,
    residuals: perfect ? y.map(() => 0) : rawResiduals,
    sse: perfect ? 0 : rawSse,
    n,
    p,
    // b₀ = ȳ − Σ b_j x̄_j, so a weight on the constant is one on the mean of y and one on every slope.
    varianceOf: (weights) => weights[0]! ** 2 / n + (slopes?.varianceOf(weights) ?? 0),
    lossWithout: (places) => slopes?.lossWithout(places.map((place) => place - 1)) ?? 0,
    partsOf: (place) => slopes!.partsOf(place - 1),
  }
}

interface CentredSolution {
  readonly solution: readonly number[]
  /** zᵀ(RᵀR)⁻¹z of the weights on the slopes, those on the constant counted in. */
  varianceOf(weights: readonly number[]): number
  /** @param slopes their places, the constant not counted */
  lossWithout(slopes: readonly number[]): number
  partsOf(slope: number): Float64Array
}

function solveCentred(
  y: readonly number[],
  centreOfY: number,
  columns: readonly RegressionColumn[],
  centres: readonly number[],
  where: string,
): CentredSolution {
  const lengths = columns.map(({ values }, j) => lengthAround(values, centres[j]!))
  columns.forEach(({ name, values }, j) => {
    let largest = 0
    for (let i = 0; i < values.length; i++) largest = Math.max(largest, Math.abs(values[i]!))
    if (lengths[j]! <= DEPENDENT * largest * Math.sqrt(values.length)) {
      throw new Refusal(
        `The column ${name} does not vary, so it cannot be told from the constant.`,
        where,
        { column: name, columns: ['constant', name] },
      )
    }
  })
  if (columns.length === 1) return solveAlone(y, centreOfY, columns[0]!, centres[0]!, lengths[0]!)
  // Columns are brought to length 1, so that the decomposition sees no difference of units. y goes along as the last
  // of them: what the decomposition makes of it is Qᵀy, which is all that the coefficients need of Q.
  const k = columns.length
  const design = new Matrix(y.length, k + 1)
  columns.forEach(({ values }, j) => {
    for (let i = 0; i < y.length; i++) design.set(i, j, (values[i]! - centres[j]!) / lengths[j]!)
  })
  y.forEach((value, i) => design.set(i, k, value - centreOfY))
  const upper = new QrDecomposition(design).upperTriangularMatrix.to2DArray()
  columns.forEach(({ name }, j) => {
    if (Math.abs(upper[j]![j]!) > DEPENDENT) return
    const shares = backSolve(upper, j, columnOf(upper, j))
    const others = columns
      .slice(0, j)
      .flatMap((earlier, i) => (Math.abs(shares[i]!) > TAKES_PART ? [earlier.name] : []))
    throw new Refusal(
      `The column ${name} says nothing that ${others.join(', ')} ${others.length === 1 ? 'does' : 'do'} not say already. Take one of them out.`,
      where,
      { column: name, columns: [...others, name] },
    )
  })
  const rest = new Float64Array(k)
  // Column by column, as it is solved: Rᵀ is asked at every period.
  const turned = columns.map((_, j) => {
    const column = new Float64Array(k)
    for (let i = 0; i <= j; i++) column[i] = upper[i]![j]!
    return column
  })
  /** v with Rᵀv = z, written over `rest`. */
  const solveTurned = (z: (j: number) => number) => {
    for (let j = 0; j < k; j++) {
      const column = turned[j]!
      let own = z(j)
      for (let i = 0; i < j; i++) own -= column[i]! * rest[i]!
      rest[j] = own / column[j]!
    }
  }
  const scaled = backSolve(upper, k, columnOf(upper, k))
  return {
    solution: scaled.map((slope, j) => slope / lengths[j]!),
    // It makes no lists: it is asked at every period.
    varianceOf: (weights) => {
      solveTurned((j) => (weights[j + 1]! - weights[0]! * centres[j]!) / lengths[j]!)
      let sum = 0
      for (let j = 0; j < k; j++) sum += rest[j]! ** 2
      return sum
    },
    // Their block of (RᵀR)⁻¹ is VᵀV; with V = QU the loss is the square of z in Uᵀz = b, and VᵀV is never formed.
    lossWithout: (slopes) => {
      const inverse = new Matrix(k, slopes.length)
      slopes.forEach((slope, at) => {
        solveTurned((j) => (j === slope ? 1 : 0))
        for (let j = 0; j < k; j++) inverse.set(j, at, rest[j]!)
      })
      const block = new QrDecomposition(inverse).upperTriangularMatrix
      const z: number[] = []
      slopes.forEach((slope, at) => {
        let own = scaled[slope]!
        for (let i = 0; i < at; i++) own -= block.get(i, at) * z[i]!
        z.push(own / block.get(at, at))
      })
      return z.reduce((sum, one) => sum + one ** 2, 0)
    },
    // (RᵀR)⁻¹e by two triangles, then one weighted sum of the columns.
    partsOf: (slope) => {
      solveTurned((j) => (j === slope ? 1 / lengths[j]! : 0))
      const weights = backSolve(upper, k, rest)
      const parts = new Float64Array(y.length)
      columns.forEach(({ values }, j) => {
        const weight = weights[j]! / lengths[j]!
        for (let i = 0; i < parts.length; i++) parts[i]! += weight * (values[i]! - centres[j]!)
      })
      return parts
    },
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
  y.forEach((own, i) => (along += ((values[i]! - centre) / length) * (own - centreOfY)))
  return {
    solution: [along / length],
    lossWithout: () => along ** 2,
    varianceOf: ([w0, w1]) => ((w1! - w0! * centre) / length) ** 2,
    partsOf: () => Float64Array.from(values, (value) => (value - centre) / length ** 2),
  }
}

function meanOf(values: ArrayLike<number>): number {
  let sum = 0
  for (let i = 0; i < values.length; i++) sum += values[i]!
  const first = sum / values.length
  // A second pass takes back what a sum of large values lost.
  let rest = 0
  for (let i = 0; i < values.length; i++) rest += values[i]! - first
  return first + rest / values.length
}

function lengthAround(values: ArrayLike<number>, centre: number): number {
  let sum = 0
  for (let i = 0; i < values.length; i++) sum += (values[i]! - centre) ** 2
  return Math.sqrt(sum)
}

function columnOf(upper: readonly (readonly number[])[], j: number): number[] {
  return upper.map((row) => row[j]!)
}

/** Solves Rc = r over the first `size` columns; with r a column of the same triangle, what it is made of. */
function backSolve(
  upper: readonly (readonly number[])[],
  size: number,
  r: ArrayLike<number>,
): number[] {
  const c = Array<number>(size).fill(0)
  for (let i = size - 1; i >= 0; i--) {
    const row = upper[i]!
    let rest = r[i]!
    for (let k = i + 1; k < size; k++) rest -= row[k]! * c[k]!
    c[i] = rest / row[i]!
  }
  return c
}

function sumOfSquares(values: readonly number[]): number {
  let sum = 0
  for (const value of values) sum += value * value
  return sum
}
