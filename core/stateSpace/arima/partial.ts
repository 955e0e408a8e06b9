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
 * The way back: partial autocorrelations of a factor. Each order from the one above it, both ends of it at once, in place: a
 * likelihood asks for them thousands of times.
 *
 * @returns null for a factor with a root inside the unit circle or on it
 */
export function toPartial(y: ArrayLike<number>): Float64Array | null {
  const r = Float64Array.from(y)
  for (let k = r.length - 1; k >= 0; k--) {
    const own = r[k]!
    if (!(Math.abs(own) < 1)) return null
    const share = 1 - own * own
    for (let i = 0, j = k - 1; i <= j; i++, j--) {
      const [left, right] = [r[i]!, r[j]!]
      r[i] = (left - own * right) / share
      r[j] = (right - own * left) / share
    }
  }
  return r
}
