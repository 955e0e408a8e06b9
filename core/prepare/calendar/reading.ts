import { windowOf, type OwnHoliday } from '../../regression/regressors/calendar/ownHolidays'
import { WEEKDAYS } from '../../calendar/civil'
import { WEEKEND_DAY, weightsOfSunday } from '../../regression/regressors/calendar/days'
import type { TakenOut } from '../prepare'
import { columnsOfTaken, varianceOfSum, type CalendarTaken, type GroupReport } from './taken'

/** What one effect does, and how far that may be off: shares of the values, or amounts in their units. */
export interface EffectRead {
  /** `one Saturday more`, `all days before Easter in a month` */
  readonly name: string
  readonly estimate: number
  readonly standardError: number
  /** What of every coefficient it is the sum of, in the order of the columns. */
  readonly weights: readonly number[]
}

/** The day that has no column of its own: what it does is minus what the six do. */
const SUNDAY = 'Sunday'

/**
 * What each effect that is taken out does to a period.
 *
 * @returns of a multiplicative model shares: 0.013 for 1.3% more
 */
export function readEffects(taken: CalendarTaken): EffectRead[] {
  const { effects, coefficients, model, facts } = taken
  const isOfDays = facts.calendar.frequency === 'daily'
  const names = columnsOfTaken(taken).map(({ name }) => name)
  const read = (name: string, weights: readonly number[]): EffectRead => {
    const sum = weights.reduce((all, w, j) => all + w * coefficients[j]!, 0)
    const error = Math.sqrt(varianceOfSum(taken, weights))
    // Of logarithms: what is small is a share as it is, and what is not comes back.
    return model === 'additive'
      ? { name, estimate: sum, standardError: error, weights }
      : { name, estimate: Math.expm1(sum), standardError: Math.exp(sum) * error, weights }
  }
  const only = (wanted: string, weight = 1) => names.map((name) => (name === wanted ? weight : 0))
  return effects.flatMap((effect): EffectRead[] => {
    switch (effect.effect) {
      case 'tradingDay6':
        return WEEKDAYS.map((day) =>
          read(`one ${day} more`, day === SUNDAY ? weightsOfSunday(names) : only(day)),
        )
      case 'tradingDay1':
        return [
          read('one weekday more', only('weekdays')),
          read('one Saturday or Sunday more', only('weekdays', WEEKEND_DAY)),
        ]
      case 'lengthOfPeriod':
        return [read('one day more', only('lengthOfPeriod'))]
      case 'leapYear':
        return [read('29 February', only('leapYear'))]
      case 'easter':
        return [read('all days before Easter', only(`easter${effect.window}`))]
      case 'holiday':
        return [
          read(
            holidayWords(effect, isOfDays),
            only(effect.name, isOfDays ? 1 / windowOf(effect) : 1),
          ),
        ]
    }
  })
}

/** A list of single days is read by the day, one with days around its dates by the date; of days each is read by itself. */
function holidayWords({ name, before, after }: OwnHoliday, isOfDays: boolean): string {
  if (isOfDays) return `a day of ${name}`
  return before + after === 0 ? `one day of ${name} more` : `one ${name} more, with its days around`
}

/**
 * An effect is told at this p and below. At 0.05 some effect would be told in a tenth of series without any, three being
 * looked for.
 */
const BEYOND_CHANCE = 0.01

export function isBeyondChance({ joint }: GroupReport): boolean {
  return joint.p !== null && joint.p <= BEYOND_CHANCE
}

/** What was taken out of a result's values, of the calendar; null where nothing was asked for. */
export function calendarTakenOf(result: {
  readonly takenOut?: { readonly found: TakenOut }
}): CalendarTaken | null {
  return calendarTakenIn(result.takenOut?.found ?? null)
}

export function calendarTakenIn(found: TakenOut | null): CalendarTaken | null {
  return (found?.calendar as CalendarTaken | undefined) ?? null
}
