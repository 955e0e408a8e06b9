/**
 * The coefficients y of a factor 1 + y₁B + … whose roots are all outside the unit circle, from its partial autocorrelations;
 * on the circle where one of them is 1 or −1.
 *
 * @param r each from −1 to 1
 * @see Monahan, J. F. (1984), Biometrika 71, 403–404
 * @example fromPartial([0.5, -0.2]) // [0.4, -0.2]
 */
export function fromPartial(r: readonly number[]): number[] {
  let y: number[] = []
  for (const [k, own] of r.entries()) {
    y = [...y.map((before, i) => before + own * y[k - 1 - i]!), own]
  }
  return y
}

/**
 * The way back: partial autocorrelations of a factor.
 *
 * @returns null for a factor with a root inside the unit circle or on it
 */
export function toPartial(y: readonly number[]): number[] | null {
  let rest = [...y]
  const r: number[] = []
  for (let k = y.length - 1; k >= 0; k--) {
    const own = rest[k]!
    if (!(Math.abs(own) < 1)) return null
    r.unshift(own)
    const earlier = rest
    rest = Array.from(
      { length: k },
      (_, i) => (earlier[i]! - own * earlier[k - 1 - i]!) / (1 - own * own),
    )
  }
  return r
}
