/** (p,d,q)(P,D,Q)_m: how many terms of each kind a model has. */
export interface ArimaOrder {
  readonly p: number
  readonly d: number
  readonly q: number
  readonly P: number
  readonly D: number
  readonly Q: number
}

/** What a model has beside its ARMA terms: the mean of a series without differences, or the drift per period of one with one. */
export type ArimaConstant = 'none' | 'mean' | 'drift'

/**
 * The coefficients of the four factors. AR factors are 1 − φ₁B − …, as Box & Jenkins write them; MA factors are 1 + θ₁B + …,
 * the opposite of theirs.
 */
export interface ArmaCoefficients {
  readonly ar: readonly number[]
  readonly ma: readonly number[]
  readonly sar: readonly number[]
  readonly sma: readonly number[]
}

/** The factors in the order in which lists of all coefficients have them. */
export const FACTORS = ['ar', 'ma', 'sar', 'sma'] as const

/** How many coefficients each factor has. */
export function lengthsOf({ p, q, P, Q }: ArimaOrder): readonly number[] {
  return [p, q, P, Q]
}

/** How many numbers a model estimates, σ² among them. @param columns mean, drift and what is known beside */
export function numbersOf({ p, q, P, Q }: ArimaOrder, columns: number): number {
  return p + q + P + Q + columns + 1
}

/** How many values the differences of a model take away at the start, d + mD. */
export function lostToDifferences({ d, D }: ArimaOrder, seasons: number): number {
  return d + seasons * D
}

/** The constant that a model with so many differences can have. */
export function constantAllowed({ d, D }: Pick<ArimaOrder, 'd' | 'D'>): ArimaConstant {
  if (d + D === 0) return 'mean'
  return d + D === 1 ? 'drift' : 'none'
}

/** @example orderText({ p: 1, d: 0, q: 0, P: 0, D: 1, Q: 1 }, 'drift') // '(1,0,0)(0,1,1) with drift' */
export function orderText({ p, d, q, P, D, Q }: ArimaOrder, constant: ArimaConstant): string {
  return `(${p},${d},${q})(${P},${D},${Q})${constant === 'none' ? '' : ` with ${constant}`}`
}

/** The same of a model without a season. @example `(0,1,1) with drift` */
export function plainOrderText({ p, d, q }: ArimaOrder, constant: ArimaConstant): string {
  return `(${p},${d},${q})${constant === 'none' ? '' : ` with ${constant}`}`
}

/** All coefficients one after another, cut into the four factors. */
export function cutIntoFactors(all: ArrayLike<number>, order: ArimaOrder): ArmaCoefficients {
  let from = 0
  const [ar, ma, sar, sma] = lengthsOf(order).map((length) => {
    const own = Array.from({ length }, (_, i) => all[from + i]!)
    from += length
    return own
  }) as [number[], number[], number[], number[]]
  return { ar, ma, sar, sma }
}

export function joined(coefficients: ArmaCoefficients): number[] {
  return FACTORS.flatMap((factor) => coefficients[factor])
}
