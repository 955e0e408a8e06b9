import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { difference, type Difference } from '../stationarity/difference'
import { detrend } from '../trend/detrend'
import { TREND_FORMS } from '../trend/forms'
import type { DetrendForm } from '../trend/leastSquares/forms'
import { figure } from '../words/figure'

/** The scale on which a series is looked at. */
export type LookScale =
  | { readonly by: 'as-is' | 'ln' | 'square-root' }
  /** The values to a power above 0. */
  | { readonly by: 'power'; readonly power: number }

/** What is taken out of the series to look at the rest: a trend, or differences. */
export type TakenOut =
  | { readonly by: 'nothing' }
  | { readonly by: 'trend'; readonly form: DetrendForm }
  | { readonly by: 'difference'; readonly how: Difference }

/** What of a series is looked at: on which scale, and without what. */
export interface Rest {
  readonly scale: LookScale
  readonly takenOut: TakenOut
}

/** The series as it is. */
export const WHOLE: Rest = { scale: { by: 'as-is' }, takenOut: { by: 'nothing' } }

/** A series on its scale, what was taken out of it, and what is left. One entry a period. */
export interface RestFigures {
  readonly scaled: readonly Value[]
  /** null where no trend was taken out. */
  readonly trend: readonly Value[] | null
  readonly left: readonly Value[]
}

/** Beyond these a power leaves nothing that a number can hold, or that an eye can tell apart. */
export const LEAST_LOOK_POWER = 0.05
export const MOST_LOOK_POWER = 3

/** Whether nothing was done to the series. */
export function isWhole({ scale, takenOut }: Rest): boolean {
  return scale.by === 'as-is' && takenOut.by === 'nothing'
}

/** Whether what is left is a factor around 1: a trend of the logarithm is divided by. */
export function leavesFactor({ takenOut }: Rest): boolean {
  return takenOut.by === 'trend' && TREND_FORMS[takenOut.form].ofLog
}

/**
 * Puts a series on its scale and takes out of it what is asked.
 *
 * @param values one a period, null = missing
 * @param seasons m, for seasonal differences
 * @throws Refusal for a scale that a value is not on, for a power out of range, and as {@link detrend} does
 * @example restOf([1, 4, 9], { scale: { by: 'square-root' }, takenOut: { by: 'difference', how: 'first' } }, 12).left
 *   // [null, 1, 1]
 */
export function restOf(
  values: readonly Value[],
  { scale, takenOut }: Rest,
  seasons: number,
): RestFigures {
  const scaled = onScale(values, scale)
  switch (takenOut.by) {
    case 'nothing':
      return { scaled, trend: null, left: scaled }
    case 'difference':
      return { scaled, trend: null, left: difference(scaled, takenOut.how, seasons) }
    case 'trend': {
      const { trend, detrended } = detrend(scaled, takenOut.form)
      return { scaled, trend, left: detrended }
    }
  }
}

function onScale(values: readonly Value[], scale: LookScale): readonly Value[] {
  switch (scale.by) {
    case 'as-is':
      return values
    case 'ln':
      requireAbove0(values, 'A logarithm')
      return values.map((value) => (value === null ? null : Math.log(value)))
    case 'square-root':
      requireAbove0(values, 'A square root')
      return values.map((value) => (value === null ? null : Math.sqrt(value)))
    case 'power': {
      const { power } = scale
      if (!(power >= LEAST_LOOK_POWER && power <= MOST_LOOK_POWER)) {
        throw new Refusal(
          `The power ${power} is not possible: it lies from ${LEAST_LOOK_POWER} to ${MOST_LOOK_POWER}. For 0 take the logarithm.`,
          'power',
        )
      }
      requireAbove0(values, 'A power')
      return values.map((value) => (value === null ? null : value ** power))
    }
  }
}

/** @throws Refusal naming the first value that has no place on the scale */
function requireAbove0(values: readonly Value[], what: string): void {
  const at = values.findIndex((value) => value !== null && value <= 0)
  if (at < 0) return
  throw new Refusal(
    `${what} needs every value above 0; value ${at + 1} is ${figure(values[at]!)}.`,
    'scale',
    { t: at + 1 },
  )
}

/** `ln sales`, `√sales`, `sales^0.3`; the noun alone as it is. */
export function scaledName(noun: string, scale: LookScale): string {
  switch (scale.by) {
    case 'as-is':
      return noun
    case 'ln':
      return `ln ${noun}`
    case 'square-root':
      return `√${noun}`
    case 'power':
      return `${noun}^${scale.power}`
  }
}
