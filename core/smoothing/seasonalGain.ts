/** A gain above this leaves a visible season; below it is the rounding of the cosines. */
const NOTICEABLE = 1e-9

/** The weights of a centred moving average of an order, over its k (odd) or k + 1 (even) terms. */
export function centredWeights(order: number): number[] {
  if (order % 2 === 1) return Array.from({ length: order }, () => 1 / order)
  return Array.from({ length: order + 1 }, (_, j) => (j === 0 || j === order ? 0.5 : 1) / order)
}

/**
 * How much of a season a moving average lets through, at each seasonal frequency.
 *
 * |Σ w_j exp(−2πi·j·k/m)| for k = 1…⌊m/2⌋: 0 removes that wave, 1 keeps it whole.
 *
 * @param weights the weights of the average, in order
 * @param seasons m, the seasons in a year
 * @returns ⌊m/2⌋ gains, from the yearly wave to the shortest
 * @see Brillinger, D. R. (1981), Time Series: Data Analysis and Theory, sec. 3.2
 * @example seasonalGain(centredWeights(4), 4) // [0, 0] (to rounding)
 */
export function seasonalGain(weights: readonly number[], seasons: number): number[] {
  return Array.from({ length: Math.floor(seasons / 2) }, (_, i) => {
    const angle = (-2 * Math.PI * (i + 1)) / seasons
    let real = 0
    let imaginary = 0
    weights.forEach((weight, j) => {
      real += weight * Math.cos(angle * j)
      imaginary += weight * Math.sin(angle * j)
    })
    return Math.hypot(real, imaginary)
  })
}

/** Whether an average with these gains still waves with the season. */
export function leavesSeason(gains: readonly number[]): boolean {
  return gains.some((gain) => gain > NOTICEABLE)
}
