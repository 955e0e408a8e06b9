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

/** Numbers kept of the last seed: half a megabyte a year of simulated months. */
const MOST_KEPT = 500_000
let kept: {
  readonly seed: number
  readonly numbers: number[]
  readonly more: () => number
} | null = null

/**
 * Standard normal numbers, the same for the same seed.
 *
 * The limits of one method at many origins, or of many series, take the same numbers: those of the last seed are kept.
 *
 * @param count about how many are asked for; a list of very many is not kept
 * @see Box, G. E. P. & Muller, M. E. (1958), Annals of Mathematical Statistics 29
 */
export function seededNormals(seed: number, count: number): () => number {
  if (count > MOST_KEPT) return normalsFrom(seededUniform(seed))
  if (kept?.seed !== seed) {
    kept = { seed, numbers: [], more: normalsFrom(seededUniform(seed)) }
  }
  const { numbers, more } = kept
  let next = 0
  return () => {
    if (next === numbers.length) numbers.push(more())
    return numbers[next++]!
  }
}

/** Normal numbers come in pairs. */
function normalsFrom(uniform: () => number): () => number {
  let spare: number | null = null
  return () => {
    if (spare !== null) {
      const second = spare
      spare = null
      return second
    }
    const radius = Math.sqrt(-2 * Math.log(uniform()))
    const angle = 2 * Math.PI * uniform()
    spare = radius * Math.sin(angle)
    return radius * Math.cos(angle)
  }
}
