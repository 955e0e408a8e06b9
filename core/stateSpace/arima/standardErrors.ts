import { inverse, Matrix } from 'ml-matrix'
import { concentratedLikelihood, filter, sumOfSquaresWith, type ReadyData } from './likelihood'
import { cutIntoFactors, joined, type ArmaCoefficients } from './order'

/** Standard errors of the coefficients, factor by factor, and of the columns. */
export interface ArimaErrors extends ArmaCoefficients {
  readonly beta: readonly number[]
}

/** Step of the second differences of an ARMA coefficient: wide enough for ln L to change by more than its rounding. */
const STEP = 4e-4
/** The same of a column, as a share of what its coefficient is off by when all others are known. */
const SHARE = 0.05

/**
 * Standard errors from the inverse of the observed Hessian of −ln L, σ² concentrated, jointly in all natural coefficients, mean,
 * drift and regression among them.
 *
 * @returns null where the likelihood is not curved downward in every direction, and too near the edge of the region
 */
export function standardErrors(
  own: ReadyData,
  coefficients: ArmaCoefficients,
  beta: readonly number[],
): ArimaErrors | null {
  const { order } = own.data
  const centre = [...joined(coefficients), ...beta]
  const terms = centre.length - beta.length
  const value = (x: readonly number[]) => {
    const filtered = filter(own, cutIntoFactors(x, order))
    if (!filtered) return NaN
    const sum = sumOfSquaresWith(filtered, x.slice(terms))
    return -concentratedLikelihood(own.count, sum, filtered.logDeterminant)
  }
  if (centre.length === 0) return { ...cutIntoFactors([], order), beta: [] }
  const at = value(centre)
  const moved = (...moves: readonly (readonly [number, number])[]) => {
    const x = [...centre]
    for (const [i, by] of moves) x[i]! += by
    return value(x)
  }
  const steps = centre.map((own_, i) => {
    if (i < terms) return STEP
    // Along a column ln L is all but a parabola: a first guess of its curvature gives the step.
    const guess = Math.max(Math.abs(own_), 1e-3) * 1e-3
    const curvature = (moved([i, guess]) - 2 * at + moved([i, -guess])) / guess ** 2
    return curvature > 0 ? SHARE / Math.sqrt(curvature) : guess
  })
  const hessian = new Matrix(centre.length, centre.length)
  steps.forEach((h, i) => {
    hessian.set(i, i, (moved([i, h]) - 2 * at + moved([i, -h])) / h ** 2)
    for (let j = 0; j < i; j++) {
      const g = steps[j]!
      const mixed =
        (moved([i, h], [j, g]) -
          moved([i, h], [j, -g]) -
          moved([i, -h], [j, g]) +
          moved([i, -h], [j, -g])) /
        (4 * h * g)
      hessian.set(i, j, mixed)
      hessian.set(j, i, mixed)
    }
  })
  if (hessian.to1DArray().some((one) => !Number.isFinite(one))) return null
  let covariance: Matrix
  try {
    covariance = inverse(hessian)
  } catch {
    // A flat direction: what lies along it cannot be told.
    return null
  }
  const variances = covariance.diagonal()
  if (variances.some((variance) => !(variance > 0))) return null
  const errors = variances.map(Math.sqrt)
  return { ...cutIntoFactors(errors, order), beta: errors.slice(terms) }
}
