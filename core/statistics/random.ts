/**
 * Numbers spread evenly between 0 and 1, neither end, the same for the same seed on every machine.
 *
 * @see Marsaglia, G. (2003), Xorshift RNGs, Journal of Statistical Software 8(14); a Weyl sequence added, so that no
 *   state is a dead end
 */
export function seededUniform(seed: number): () => number {
  let x = (Math.imul(seed, 2654435761) ^ 0x9e3779b9) >>> 0 || 1
  let weyl = 0
  const next = () => {
    x ^= x << 13
    x ^= x >>> 17
    x ^= x << 5
    weyl = (weyl + 362437) | 0
    return ((x + weyl) >>> 0) / 2 ** 32 + 2 ** -33
  }
  // The first states still look like the seed.
  for (let i = 0; i < 20; i++) next()
  return next
}
