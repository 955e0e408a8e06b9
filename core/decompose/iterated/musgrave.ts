/**
 * End weights for a filter of which the newest points are missing: they sum to 1 and minimise the expected squared revision
 * where the data are a straight line and noise with a ratio R of irregular to trend.
 *
 * They reproduce a constant, not a line: that is as published.
 *
 * @param weights of the whole filter, oldest first
 * @param points that there are, from (L + 1)/2 to L − 1
 * @param ratio R
 * @returns as many weights, oldest first
 * @see Musgrave, J. (1964), A set of end weights to end all end weights; Doherty, M. (2001), Australian & New Zealand Journal of
 *   Statistics 43
 * @example musgraveWeights(henderson(5), 3, 0.001) // −0.184, 0.367, 0.816
 */
export function musgraveWeights(
  weights: readonly number[],
  points: number,
  ratio: number,
): number[] {
  const d = 4 / (Math.PI * ratio ** 2)
  const centre = (points + 1) / 2
  let missing = 0
  let moment = 0
  for (let i = points; i < weights.length; i++) {
    missing += weights[i]!
    moment += (i + 1 - centre) * weights[i]!
  }
  const bend = (d * moment) / (1 + (d * points * (points - 1) * (points + 1)) / 12)
  return Array.from(
    { length: points },
    (_, j) => weights[j]! + missing / points + (j + 1 - centre) * bend,
  )
}
