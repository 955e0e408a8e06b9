import { Matrix, QrDecomposition } from 'ml-matrix'
import type { Frame } from './frame'

/** Adjusted values whose full calendar years have the sums of the original, and what brought them there. */
export interface YearlySums {
  /** By period: a factor, or of an additive model an amount. */
  readonly step: readonly number[]
  readonly adjusted: readonly number[]
}

/**
 * Brings the adjusted values of every full calendar year to the sum of the original.
 *
 * One factor (amount) a year would do, and make a step at every turn of the year. So there is one a period, and of all that keep
 * the sums exactly those are taken whose squared changes from period to period are least together. Before the first full year and
 * behind the last it stays as it is.
 *
 * The changes g are the shortest that satisfy B·g + c·f₁ = r, one row a year. They lie in the rows of B, which are taken apart by
 * QR: B' = Q·R, g = Q·z; so R'·z = r − c·f₁, and the f₁ is taken with which z is shortest.
 *
 * @param y original, one entry a period; what was appended does not count
 * @param adjusted the same without its season
 * @returns null without one full calendar year
 * @see Denton, F. T. (1971), Journal of the American Statistical Association 66, 99–102; the proportional first difference
 * @example of one year with original sum 1200 and adjusted sum 1210: a factor of 1200/1210 throughout
 */
export function keepYearlySums(
  frame: Frame,
  y: readonly number[],
  adjusted: readonly number[],
): YearlySums | null {
  const { n, terms } = frame
  const years = fullYears(frame)
  if (years.length === 0) return null
  const isFactor = frame.model === 'multiplicative'
  // How far each period's step counts in its year: by its adjusted value, or as an amount like every other.
  const rows = years.map(({ from, to }) => {
    const counts = Array.from({ length: to - from }, (_, k) => (isFactor ? adjusted[from + k]! : 1))
    // Divided by their sum, so that every year is one equation of the same size.
    const total = sumOf(counts)
    const wanted = sumOf(y.slice(from, to)) - (isFactor ? 0 : sumOf(adjusted.slice(from, to)))
    return { from, shares: counts.map((count) => count / total), right: wanted / total }
  })
  const step = smoothest(n, rows)
  return { step, adjusted: step.map((own, i) => terms.putBack(adjusted[i]!, own)) }
}

/** First entry of each calendar year that is there whole, and the one behind its last. */
function fullYears(frame: Frame): { readonly from: number; readonly to: number }[] {
  const { n, seasons, start } = frame
  const first = (seasons - (start.season - 1)) % seasons
  return Array.from({ length: Math.max(0, Math.floor((n - first) / seasons)) }, (_, k) => ({
    from: first + k * seasons,
    to: first + (k + 1) * seasons,
  }))
}

interface Equation {
  readonly from: number
  /** They sum to 1. */
  readonly shares: readonly number[]
  readonly right: number
}

/** The list of n whose changes are least, with the weighted mean of each year as it is wanted. */
function smoothest(n: number, rows: readonly Equation[]): number[] {
  // A change before a year counts in it in full; one within, for what is behind it.
  const design = new Matrix(n - 1, rows.length)
  rows.forEach(({ from, shares }, k) => {
    for (let i = 1; i < from + 1; i++) design.set(i - 1, k, 1)
    let behind = 1
    shares.slice(1).forEach((_share, j) => {
      behind -= shares[j]!
      design.set(from + j, k, behind)
    })
  })
  const qr = new QrDecomposition(design)
  const upper = qr.upperTriangularMatrix
  const right = forwards(
    upper,
    rows.map((row) => row.right),
  )
  const ones = forwards(
    upper,
    rows.map(() => 1),
  )
  const first = dot(ones, right) / dot(ones, ones)
  const z = right.map((value, k) => value - first * ones[k]!)
  const changes = qr.orthogonalMatrix.mmul(Matrix.columnVector(z)).to1DArray()
  const list = [first]
  for (const change of changes) list.push(list.at(-1)! + change)
  return list
}

/** Solves R'·x = b from the first row on. */
function forwards(upper: Matrix, b: readonly number[]): number[] {
  const x: number[] = []
  b.forEach((value, k) => {
    const known = x.reduce((sum, own, j) => sum + upper.get(j, k) * own, 0)
    x.push((value - known) / upper.get(k, k))
  })
  return x
}

function sumOf(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0)
}

function dot(a: readonly number[], b: readonly number[]): number {
  return a.reduce((sum, own, i) => sum + own * b[i]!, 0)
}
