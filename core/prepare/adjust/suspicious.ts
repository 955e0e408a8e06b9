import { median } from '../../statistics/average'
import type { Value } from '../../series/series'

/** How a value looks wrong. */
export type Suspicion = 'times-too-large' | 'times-too-small' | 'sign-flipped' | 'zero-among-large'

/** A value that is worth a second look; it is never changed by itself. */
export interface SuspiciousValue {
  /** Entry, from 0. */
  readonly at: number
  readonly value: number
  readonly suspicion: Suspicion
  /** What the values around it and in its season would lead one to expect, in the same units. */
  readonly usual: number
  /** 10, 100 or 1000 for a slipped decimal, else null. */
  readonly times: number | null
}

/** Years on either side whose same season says what is usual. */
const YEARS_AROUND = 3
/** Robust standard deviations (1.4826 × MAD of the log ratios) beyond which a value stands out. */
const STANDS_OUT = 6
/** The least spread of log ratios that is reckoned with: no series is steadier than 5%. */
const LEAST_SPREAD = 0.05
/** Log distance within which a value, put right, counts as usual: a factor of about 2. */
const IN_THE_USUAL_RANGE = 0.7

/**
 * Values that look mistyped: ten, a hundred or a thousand times too large or too small, with the sign
 * flipped, or zero among large ones.
 *
 * A value is compared with the median of its own season in the years around it. It is suspicious when
 * it lies more than six robust standard deviations away on the log scale and the slip that is
 * suspected would bring it back to the usual size.
 *
 * @param values one a period, null = missing
 * @param seasons m, the seasons a year
 * @see Hampel, F. R. (1974), Journal of the American Statistical Association 69, 383–393, for the MAD
 * @example twelve months around 400 a year for four years, one of them 4120 // 10 times too large
 */
export function suspiciousValues(values: readonly Value[], seasons: number): SuspiciousValue[] {
  const usual = values.map((_, i) => usualAt(values, i, seasons))
  const spread = spreadOf(values, usual)
  return values.flatMap((value, at): SuspiciousValue[] => {
    const expected = usual[at]!
    if (value === null || expected === null || expected <= 0) return []
    const found = suspicionOf(value, expected, spread, values)
    return found ? [{ at, value, usual: expected, ...found }] : []
  })
}

function suspicionOf(
  value: number,
  usual: number,
  spread: number,
  values: readonly Value[],
): Pick<SuspiciousValue, 'suspicion' | 'times'> | null {
  const distance = Math.log(Math.abs(value) / usual)
  if (value === 0)
    return isRare(values, (other) => other === 0)
      ? { suspicion: 'zero-among-large', times: null }
      : null
  if (value < 0) {
    const isUsualSize = Math.abs(distance) <= IN_THE_USUAL_RANGE
    return isUsualSize && isRare(values, (other) => other < 0)
      ? { suspicion: 'sign-flipped', times: null }
      : null
  }
  if (Math.abs(distance) <= STANDS_OUT * spread) return null
  for (const times of [10, 100, 1000]) {
    if (Math.abs(Math.abs(distance) - Math.log(times)) > IN_THE_USUAL_RANGE) continue
    return { suspicion: distance > 0 ? 'times-too-large' : 'times-too-small', times }
  }
  return null
}

/** Zeros and minus signs are suspicious when they are rare: not in a series that often has them. */
function isRare(values: readonly Value[], is: (value: number) => boolean): boolean {
  const present = values.filter((value) => value !== null)
  return present.filter(is).length * 20 <= present.length
}

/** The median of the same season in the years around; null with fewer than two of them. */
function usualAt(values: readonly Value[], at: number, seasons: number): Value {
  const around: number[] = []
  for (let years = -YEARS_AROUND; years <= YEARS_AROUND; years++) {
    const value = values[at + years * seasons] ?? null
    if (years !== 0 && value !== null) around.push(value)
  }
  return around.length < 2 ? null : median(around)
}

function spreadOf(values: readonly Value[], usual: readonly Value[]): number {
  const distances = values.flatMap((value, i) => {
    const expected = usual[i]!
    if (value === null || expected === null || value <= 0 || expected <= 0) return []
    return [Math.abs(Math.log(value / expected))]
  })
  return Math.max(LEAST_SPREAD, 1.4826 * (median(distances) ?? 0))
}
