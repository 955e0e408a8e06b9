import type { Value } from '../series/series'
import { centredAverage } from '../smoothing/movingAverage'

/**
 * The moving average carried on to both ends, so that the first and last periods can be judged too: beyond its
 * last value it goes on with the mean step of its nearest steps.
 *
 * @param values one a period, null = missing
 * @param order of the average; as many steps say how it goes on
 * @returns undefined only where a gap inside leaves no average, or where there is none at all
 * @example of a straight line: the line
 */
export function levelToTheEnds(values: readonly Value[], order: number): Value[] {
  const level = centredAverage(values, order)
  const first = level.findIndex((value) => value !== null)
  if (first < 0) return level
  const last = level.findLastIndex((value) => value !== null)
  const stepFrom = (edge: number, inwards: 1 | -1) => {
    let inner = edge
    for (let k = 1; k <= order && (level[edge + inwards * k] ?? null) !== null; k++) {
      inner = edge + inwards * k
    }
    return inner === edge ? 0 : (level[edge]! - level[inner]!) / Math.abs(edge - inner)
  }
  const [before, after] = [stepFrom(first, 1), stepFrom(last, -1)]
  return level.map((value, i) => {
    if (i < first) return level[first]! + before * (first - i)
    return i > last ? level[last]! + after * (i - last) : value
  })
}
