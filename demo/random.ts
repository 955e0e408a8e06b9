/** A seeded source of random numbers, the same on every machine. */
export interface Random {
  /** Uniform in [0, 1). */
  uniform(): number
  /** Normal with mean 0 and the standard deviation given. */
  normal(deviation: number): number
}

/**
 * Marsaglia's multiply-with-carry in 32-bit integers, with normals by Box and Muller.
 *
 * @param seed any whole number
 */
export function randomFrom(seed: number): Random {
  let upper = (seed ^ 0x1f123bb5) >>> 0 || 1
  let lower = (Math.imul(seed, 0x9e3779b1) ^ 0x5851f42d) >>> 0 || 1
  const uniform = () => {
    upper = (Math.imul(36969, upper & 65535) + (upper >>> 16)) >>> 0
    lower = (Math.imul(18000, lower & 65535) + (lower >>> 16)) >>> 0
    return (((upper << 16) + (lower & 65535)) >>> 0) / 2 ** 32
  }
  for (let i = 0; i < 16; i++) uniform()
  return {
    uniform,
    normal: (deviation) =>
      deviation * Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
  }
}
