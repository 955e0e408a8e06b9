import type { Value } from '../../series/series'

/** Cycles of values that a length must be seen over, so that it can be held against others around it. */
const FEWEST_CYCLES = 2
/** Of all lengths around it so few may be as like. */
const MOST_AS_LIKE = 0.03
/** Lengths nearer than this share are alike because seasons are smooth. */
const NEAR = 1 / 70

/**
 * Whether values come back after a length, and not as much after any other: the share of the lengths from half as long to half as
 * long again after which they are at least as alike.
 *
 * A comparison of seasons by their spread takes values for independent. A level that wanders makes neighbours alike, and two or three
 * cycles of it differ by season more than such a comparison allows; yet it is alike at no length more than at others.
 *
 * @param values without the level and any other season, one a period, null = undefined
 * @returns null where too few cycles are there to tell
 * @example of a walk any length is as likely as another: 0.03 or less of it three times in a hundred
 */
export function shareAsLike(values: readonly Value[], length: number): Value {
  const first = values.findIndex((value) => value !== null)
  const last = values.findLastIndex((value) => value !== null)
  const inner = first < 0 ? [] : values.slice(first, last + 1)
  if (inner.length < FEWEST_CYCLES * length) return null
  const half = Math.floor(length / 2)
  const own = likeness(inner, length)
  if (own === null) return null
  let [asLike, all] = [0, 0]
  for (let lag = length - half; lag <= length + half; lag++) {
    const other = likeness(inner, lag)
    if (other === null || Math.abs(lag - length) <= NEAR * length) continue
    all += 1
    if (other >= own) asLike += 1
  }
  return all === 0 ? null : asLike / all
}

/** Whether that is so few that the length is one. */
export function comesBack(share: Value): boolean {
  return share !== null && share <= MOST_AS_LIKE
}

/** Correlation of the values with those a lag before; undefined where nothing varies. */
function likeness(values: readonly Value[], lag: number): Value {
  let [n, a, b, aa, bb, ab] = [0, 0, 0, 0, 0, 0]
  for (let i = lag; i < values.length; i++) {
    const [x, y] = [values[i]!, values[i - lag]!]
    if (x === null || y === null) continue
    n += 1
    a += x
    b += y
  }
  if (n < 3) return null
  ;[a, b] = [a / n, b / n]
  for (let i = lag; i < values.length; i++) {
    const [x, y] = [values[i]!, values[i - lag]!]
    if (x === null || y === null) continue
    aa += (x - a) ** 2
    bb += (y - b) ** 2
    ab += (x - a) * (y - b)
  }
  return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : null
}
