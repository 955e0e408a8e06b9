import type { Value } from '../series/series'

/**
 * A value on the scale of a power: ln y for λ = 0, else (y^λ − 1)/λ.
 *
 * @param value above 0
 * @see Box, G. E. P. & Cox, D. R. (1964), Journal of the Royal Statistical Society B 26, 211–252
 * @example transformed(9, 0.5) // 4
 */
export function transformed(value: number, lambda: number): number {
  return lambda === 0 ? Math.log(value) : (value ** lambda - 1) / lambda
}

/**
 * The way back: exp(z), or (λz + 1)^(1/λ). Of a forecast it is the median.
 *
 * @returns null where λz + 1 is not above 0, which no value has come from, and beyond what a number can hold
 */
export function backFrom(z: number, lambda: number): Value {
  const base = lambda * z + 1
  if (base <= 0) return null
  const value = lambda === 0 ? Math.exp(z) : base ** (1 / lambda)
  return Number.isFinite(value) ? value : null
}

/**
 * What the median of a forecast is multiplied by for its mean: exp(s²/2) for λ = 0, else
 * 1 + s²(1 − λ)/(2(λz + 1)²), to the second order.
 *
 * @param s standard error of the forecast z
 */
export function meanOverMedian(z: number, lambda: number, s: number): number {
  if (lambda === 0) return Math.exp((s * s) / 2)
  return 1 + (s * s * (1 - lambda)) / (2 * (lambda * z + 1) ** 2)
}
