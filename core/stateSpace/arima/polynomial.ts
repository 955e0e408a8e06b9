import { EigenvalueDecomposition, Matrix } from 'ml-matrix'
import type { ArimaOrder, ArmaCoefficients } from './order'

/** The whole polynomials φ(B)Φ(B^m) and θ(B)Θ(B^m), without their leading 1. */
export interface Expanded {
  /** φ_k: 1 − φ₁B − φ₂B² − … */
  readonly phi: Float64Array
  /** θ_k: 1 + θ₁B + θ₂B² + … */
  readonly theta: Float64Array
}

/**
 * The two factors of each kind multiplied out.
 *
 * @example expanded({ ar: [], ma: [-0.4], sar: [], sma: [-0.6] }, 4).theta // [-0.4, 0, 0, -0.6, 0.24]
 */
export function expanded({ ar, ma, sar, sma }: ArmaCoefficients, seasons: number): Expanded {
  const phi = product(
    ar.map((one) => -one),
    sar.map((one) => -one),
    seasons,
  )
  return { phi: phi.map((one) => (one === 0 ? 0 : -one)), theta: product(ma, sma, seasons) }
}

/** (1 + Σ aᵢBⁱ)(1 + Σ sⱼB^{mj}) without its leading 1. */
function product(a: readonly number[], s: readonly number[], seasons: number): Float64Array {
  const all = new Float64Array(a.length + seasons * s.length)
  a.forEach((own, i) => (all[i] = own))
  s.forEach((own, j) => {
    const at = seasons * (j + 1)
    all[at - 1]! += own
    a.forEach((other, i) => (all[at + i]! += own * other))
  })
  return all
}

/**
 * What differences make a value of those before it: (1 − B)^d(1 − B^m)^D y_t = w_t is y_t = w_t + Σ δ_k y_{t−k}.
 *
 * @example differencing({ d: 1, D: 1 }, 4) // [1, 0, 0, 1, -1]
 */
export function differencing({ d, D }: Pick<ArimaOrder, 'd' | 'D'>, seasons: number): Float64Array {
  let all: readonly number[] = [1]
  const times = (lag: number) => {
    const next = new Array<number>(all.length + lag).fill(0)
    all.forEach((own, i) => {
      next[i]! += own
      next[i + lag]! -= own
    })
    all = next
  }
  for (let i = 0; i < d; i++) times(1)
  for (let i = 0; i < D; i++) times(seasons)
  return Float64Array.from(all.slice(1), (own) => (own === 0 ? 0 : -own))
}

/** w_t = y_t − Σ δ_k y_{t−k}, exactly, from the first period that has all of them. */
export function differencesOf(values: readonly number[], delta: Float64Array): Float64Array {
  const lost = delta.length
  const w = new Float64Array(Math.max(0, values.length - lost))
  for (let t = 0; t < w.length; t++) {
    let own = values[t + lost]!
    for (let k = 0; k < lost; k++) {
      if (delta[k] !== 0) own -= delta[k]! * values[t + lost - 1 - k]!
    }
    w[t] = own
  }
  return w
}

/** A root of a polynomial in B, as a point of the plane. */
export interface Root {
  readonly re: number
  readonly im: number
}

/**
 * The roots of the whole polynomials: those of the factor in B, and the m-th roots of those of the factor in B^m.
 *
 * They are found factor by factor: the whole polynomial has m roots of one modulus for each of its seasonal factor, which its
 * own companion matrix would tell less exactly.
 */
export function rootsOf(
  { ar, ma, sar, sma }: ArmaCoefficients,
  seasons: number,
): { readonly ar: readonly Root[]; readonly ma: readonly Root[] } {
  const negative = (own: readonly number[]) => own.map((one) => -one)
  const both = (own: readonly number[], seasonal: readonly number[]) => [
    ...roots(own),
    ...roots(seasonal).flatMap((root) => seasonalRoots(root, seasons)),
  ]
  return { ar: both(negative(ar), negative(sar)), ma: both(ma, sma) }
}

export function modulus({ re, im }: Root): number {
  return Math.hypot(re, im)
}

/** The smallest modulus; null without roots. */
export function smallestModulus(all: readonly Root[]): number | null {
  return all.length === 0 ? null : Math.min(...all.map(modulus))
}

/** Roots of 1 + c₁B + … + c_kB^k: what their inverses are eigenvalues of is the companion matrix. */
function roots(c: readonly number[]): Root[] {
  // Without its last coefficient the polynomial is one of a lower degree.
  const degree = c.findLastIndex((own) => own !== 0) + 1
  if (degree === 0) return []
  const companion = Matrix.zeros(degree, degree)
  for (let i = 0; i < degree; i++) {
    companion.set(0, i, -c[i]!)
    if (i > 0) companion.set(i, i - 1, 1)
  }
  const { realEigenvalues, imaginaryEigenvalues } = new EigenvalueDecomposition(companion, {
    assumeSymmetric: false,
  })
  return realEigenvalues.map((re, i) => {
    const im = imaginaryEigenvalues[i]!
    const square = re * re + im * im
    return { re: re / square, im: -im / square }
  })
}

/** The m-th roots of a root in B^m. */
function seasonalRoots({ re, im }: Root, seasons: number): Root[] {
  const size = Math.hypot(re, im) ** (1 / seasons)
  const angle = Math.atan2(im, re) / seasons
  return Array.from({ length: seasons }, (_, k) => {
    const turned = angle + (2 * Math.PI * k) / seasons
    return { re: size * Math.cos(turned), im: size * Math.sin(turned) }
  })
}
