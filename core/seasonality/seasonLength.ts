import { autocorrelation, autocorrelationLimit } from '../autocorrelation/autocorrelation'
import type { Value } from '../series/series'
import { powersOfTime } from '../regression/design'
import { fitDesign } from '../regression/fitDesign'
import { TIME_CODE } from '../regression/timeVariable'

/** A length at which values come back, with what says so. */
export interface SeasonLength {
  /** Periods. */
  readonly length: number
  /** Autocorrelation at that lag, of the values without their straight line. */
  readonly likeness: number
  /** The length of which it is a multiple, where that is one too; null otherwise. */
  readonly multipleOf: number | null
}

/** A length must have come round so often. */
const FEWEST_CYCLES = 3
/** Noise reaches so many times its limit at none of a hundred lags. */
const BEYOND_NOISE = 1.75
/** How far a peak must rise over what lies before it: the likeness of a level that wanders only falls. */
const LEAST_RISE = 0.25
/** A shorter length with this share of the rise of the best is the season, and the best a multiple of it. */
const NEARLY = 0.75
const MOST = 3
/** No calendar has longer cycles, and lags are looked at one by one. */
const LONGEST = 1000

/**
 * Lengths at which a series comes back, the likeliest first: peaks of the autocorrelation that rise over what lies before them, also in
 * what changes from period to period, so that a level that wanders makes none.
 *
 * @param values one a period, null = missing and taken to lie on a line between its neighbours
 * @returns none where nothing comes back, and of fewer than twelve values
 * @example of a week in 100 days: [{ length: 7, likeness: 0.8, multipleOf: null }, { length: 14, likeness: 0.7, multipleOf: 7 }]
 */
export function seasonLengths(values: readonly Value[]): SeasonLength[] {
  const whole = filled(values)
  const most = Math.min(LONGEST, Math.floor(whole.length / FEWEST_CYCLES))
  if (whole.length < 12) return []
  const { at } = fitDesign(whole, 1, powersOfTime(1, TIME_CODE), 'series')
  const left = whole.map((value, i) => value - at(i + 1))
  const changes = left.slice(1).map((value, i) => value - left[i]!)
  const [r, ofChanges] = [autocorrelation(left, most + 1), autocorrelation(changes, most + 1)]
  if (!r || !ofChanges) return []
  const limit = BEYOND_NOISE * autocorrelationLimit(whole.length)
  const peaks: { length: number; likeness: number; rise: number }[] = []
  let lowest = Math.min(1, r[0]!)
  for (let k = 2; k <= most; k++) {
    const own = r[k - 1]!
    const isPeak = own >= r[k - 2]! && own > (r[k] ?? -1)
    const rise = own - lowest
    if (isPeak && own > limit && rise > LEAST_RISE && peaksNear(ofChanges, k, limit)) {
      peaks.push({ length: k, likeness: own, rise })
    }
    lowest = Math.min(lowest, own)
  }
  const best = Math.max(...peaks.map(({ rise }) => rise))
  const first = peaks.find(({ rise }) => rise >= NEARLY * best)
  if (!first) return []
  const others = peaks.filter((one) => one !== first).sort((a, b) => b.rise - a.rise)
  return [first, ...others.slice(0, MOST - 1)].map(({ length, likeness }) => ({
    ...{ length, likeness },
    multipleOf: length > first.length && length % first.length === 0 ? first.length : null,
  }))
}

/** Whether the changes are alike at a lag too, or one beside it. */
function peaksNear(ofChanges: readonly number[], lag: number, limit: number): boolean {
  return [lag - 1, lag, lag + 1].some((k) => (ofChanges[k - 1] ?? 0) > limit)
}

function filled(values: readonly Value[]): number[] {
  const present = values.flatMap((value, i) => (value === null ? [] : [i]))
  const [first, last] = [present[0] ?? 0, present.at(-1) ?? -1]
  let after = 0
  return values.slice(first, last + 1).map((value, k) => {
    if (value !== null) return value
    const i = first + k
    while (present[after]! < i) after++
    const [a, b] = [present[after - 1]!, present[after]!]
    return values[a]! + ((values[b]! - values[a]!) * (i - a)) / (b - a)
  })
}
