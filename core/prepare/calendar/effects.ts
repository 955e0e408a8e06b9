import { readDay } from '../../calendar/rhythms/days'
import { canHaveDates, isOfMonths, yearOf, type Day } from '../../calendar/civil'
import { countPeriods } from '../../calendar/labels'
import type { Calendar } from '../../calendar/calendar'
import { axisOf } from '../../calendar/axis'
import type { Period } from '../../calendar/period'
import { remembered } from '../../calendar/remembered'
import { Refusal } from '../../refusal'
import type { DesignColumn } from '../../regression/design'
import {
  lengthOfPeriod,
  leapYear,
  tradingDays,
  weekdays,
} from '../../regression/regressors/calendar/days'
import {
  easterColumn,
  LEAST_WINDOW,
  MOST_WINDOW,
} from '../../regression/regressors/calendar/easter'
import {
  holidayColumn,
  type OwnHoliday,
  type Years,
} from '../../regression/regressors/calendar/ownHolidays'

/** One effect of the calendar, as it is asked for. */
export type Effect =
  | { readonly effect: 'tradingDay6' | 'tradingDay1' | 'lengthOfPeriod' | 'leapYear' }
  | { readonly effect: 'easter'; readonly window: number }
  | ({ readonly effect: 'holiday'; readonly meanYears?: Years | undefined } & OwnHoliday)

/** What of a series an effect must know: its calendar, and which periods are analysed and forecast. */
export interface EffectFacts {
  readonly calendar: Calendar
  /** The period of time code 1. */
  readonly start: Period
  readonly firstT: number
  readonly lastT: number
  /** Time code of the last period that a forecast is made for. */
  readonly endT: number
}

/** An effect with its columns, which stay or go together. */
export interface EffectGroup {
  /** `tradingDay`, else the name of its column. */
  readonly name: string
  /** How it is read: `trading day`, `Easter`, or the holiday's own name. */
  readonly says: string
  readonly columns: readonly DesignColumn[]
}

/** How an effect is read, and how many years of values it needs. */
const NEEDS = {
  tradingDay6: { says: 'trading day', years: 4 },
  tradingDay1: { says: 'trading day', years: 4 },
  lengthOfPeriod: { says: 'length of period', years: 5 },
  leapYear: { says: 'leap year', years: 5 },
  easter: { says: 'Easter', years: 3 },
  holiday: { says: '', years: 3 },
} as const

export function saysOf(effect: Effect): string {
  return effect.effect === 'holiday' ? effect.name : NEEDS[effect.effect].says
}

/**
 * The columns of an effect.
 *
 * @param where path in the document, for a refusal
 * @throws Refusal for a calendar without days, for a series too short for the effect, for a window that is none, and for
 *   dates that do not cover what is analysed and forecast
 */
export function groupOf(effect: Effect, facts: EffectFacts, where: string): EffectGroup {
  requireDays(facts.calendar, where)
  requireMonthsFor(effect, facts.calendar, where)
  requireYears(effect, facts, where)
  const axis = axisOf(facts)
  const says = saysOf(effect)
  const alone = (column: DesignColumn): EffectGroup => ({
    name: column.name,
    says,
    columns: [countedOnce(column)],
  })
  switch (effect.effect) {
    case 'tradingDay6':
      return { name: 'tradingDay', says, columns: tradingDays(axis).map(countedOnce) }
    case 'tradingDay1':
      return { name: 'tradingDay', says, columns: [countedOnce(weekdays(axis))] }
    case 'lengthOfPeriod':
      return alone(lengthOfPeriod(axis))
    case 'leapYear':
      return alone(leapYear(axis))
    case 'easter':
      requireWindow(effect.window, where)
      return alone(easterColumn(axis, effect.window))
    case 'holiday':
      return alone(holidayColumn(axis, effect, yearsOf(effect, facts, where)))
  }
}

/** The same column, each of its figures counted once: they are asked for by one regression after another. */
function countedOnce(column: DesignColumn): DesignColumn {
  return { ...column, at: remembered(column.at) }
}

/** @throws Refusal for periods that are all equally long, which nothing is divided by */
export function requireMonths(calendar: Calendar): void {
  requireMonthsFor({ effect: 'lengthOfPeriod' }, calendar, 'calendar.length')
}

/** @throws Refusal for a calendar whose periods have no days */
export function requireDays(calendar: Calendar, where: string): void {
  if (canHaveDates(calendar)) return
  throw new Refusal(
    `The days of a period are known of months, quarters, weeks and days; those of this series are none. Take its calendar effects out of the method.`,
    where,
  )
}

/** @throws Refusal for what months alone differ by, where periods are none */
function requireMonthsFor(effect: Effect, calendar: Calendar, where: string): void {
  if (effect.effect === 'holiday' || isOfMonths(calendar)) return
  const periods = countPeriods(2, calendar).replace(/^\d+ /, '')
  throw new Refusal(
    `The effect ${saysOf(effect)} is one of months and quarters, which differ by their days; ${periods} do not. Take it out; a list of dates can be taken out of them.`,
    where,
    { effect: saysOf(effect) },
  )
}

/** Weeks and days that a list of dates needs: each meets its dates, and the periods around them, often enough by then. */
const LISTS_NEED: Partial<Record<Calendar['frequency'], number>> = { weekly: 104, daily: 365 }

/** How many periods a series must have for an effect to be estimated. */
export function periodsNeeded({ effect }: Effect, { frequency, seasons }: Calendar): number {
  return LISTS_NEED[frequency] ?? NEEDS[effect].years * seasons
}

function requireYears(effect: Effect, { calendar, firstT, lastT }: EffectFacts, where: string) {
  const [needed, there] = [periodsNeeded(effect, calendar), lastT - firstT + 1]
  if (there >= needed) return
  const says = saysOf(effect)
  const years = isOfMonths(calendar) ? `${NEEDS[effect.effect].years} years, ` : ''
  throw new Refusal(
    `The effect ${says} needs ${years}${countPeriods(needed, calendar)}; the span has ${there}. Take it out, or a longer span.`,
    where,
    { effect: says },
  )
}

function requireWindow(window: number, where: string): void {
  if (Number.isInteger(window) && window >= LEAST_WINDOW && window <= MOST_WINDOW) return
  throw new Refusal(
    `The days before Easter are a whole number from ${LEAST_WINDOW} to ${MOST_WINDOW}; these are ${window}.`,
    where,
    { effect: NEEDS.easter.says },
  )
}

/** The calendar years that the dates of a holiday are a list of. @throws Refusal where the list does not reach far enough */
function yearsOf(
  { name, dates, before, after, meanYears }: Effect & { readonly effect: 'holiday' },
  { calendar, start, firstT, endT }: EffectFacts,
  where: string,
): Years {
  const names = { effect: name }
  if (!(before >= 0 && after >= 0)) {
    throw new Refusal(`The days around ${name} cannot be fewer than 0.`, where, names)
  }
  if (dates.length === 0) throw new Refusal(`${name} has no date.`, where, names)
  const listed = { first: yearOf(Math.min(...dates)), last: yearOf(Math.max(...dates)) }
  const yearAt = axisOf({ calendar, start }).yearOf
  if (listed.first > yearAt(firstT) || listed.last < yearAt(endT)) {
    throw new Refusal(
      `The dates of ${name} go from ${listed.first} to ${listed.last}; they must cover ${yearAt(firstT)} to ${yearAt(endT)}, all that is analysed and forecast. Add the missing years.`,
      where,
      names,
    )
  }
  return meanYears ?? listed
}

/** A date as a document writes it, `2024-05-01`; null where there is no such day. */
export function dayOfText(text: string): Day | null {
  return /^(?!0000)\d{4}-/.test(text) ? readDay(text) : null
}
