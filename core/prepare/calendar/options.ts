import { z } from 'zod'
import { seasonalOrdersDocument } from '../../arima/orderOptions'
import { Refusal } from '../../refusal'
import { LEAST_WINDOW, MOST_WINDOW } from '../../regression/regressors/calendar/easter'
import { dayOfText, type Effect } from './effects'

/** Days before Easter that are usually felt. */
export const USUAL_EASTER = 8
/** Days around a date at the most: a season of its own is none of the calendar's. */
const MOST_AROUND = 60
/** Dates of one list at the most. */
const MOST_DATES = 2000
const MOST_LISTS = 20

/** How what effects leave can be taken. */
export const CALENDAR_ERRORS = ['independent', 'arima'] as const
const ORDER_KEYS = ['orders', 'seasonalOrders', 'constant', 'choose', 'seasonal', 'near'] as const

const dates = z
  .array(z.string().refine((text) => dayOfText(text) !== null, 'A date is written 2024-05-01.'))
  .min(1)
  .max(MOST_DATES)
const around = z.int().min(0).max(MOST_AROUND)

/** What a method says of the calendar: effects that are taken out of the values, and come back in the forecast. */
export const calendarDocument = z
  .strictObject({
    /** How what the effects leave is taken: as errors independent of each other, or as an ARIMA model has them. */
    errors: z.enum(CALENDAR_ERRORS),
    // Of such a model.
    ...seasonalOrdersDocument,
    /** A column for each day of the week, or one for all weekdays. */
    tradingDay: z.enum(['six', 'one']),
    length: z.enum(['leap-year', 'length-of-period', 'divide']),
    /** Days before Easter that count. */
    easter: z.int().min(LEAST_WINDOW).max(MOST_WINDOW),
    holidays: z
      .array(
        z.strictObject({
          name: z.string().trim().min(1).max(100),
          dates,
          before: around.optional(),
          after: around.optional(),
        }),
      )
      .max(MOST_LISTS),
    /** Effects that are kept only where AICc falls with them: `tradingDay`, `length`, `easter`, or the name of a list. */
    ifItHelps: z.array(z.string().max(100)).max(MOST_LISTS + 3),
  })
  .partial()
export type CalendarDocument = Readonly<z.infer<typeof calendarDocument>>

/** An effect that a method asks for. */
export interface AskedEffect {
  readonly effect: Effect
  /** How a method calls it. */
  readonly key: string
  /** Whether it is kept only where it helps. */
  readonly isOpen: boolean
  /** Its path in the document. */
  readonly where: string
}

/**
 * The effects that a method asks for, in the order of their columns.
 *
 * @throws Refusal for one that is left to the criterion and not asked for, and for two lists of one name
 */
export function effectsAsked({
  tradingDay,
  length,
  easter,
  holidays = [],
  ifItHelps = [],
}: CalendarDocument): AskedEffect[] {
  const asked: Omit<AskedEffect, 'isOpen'>[] = []
  const ask = (key: string, effect: Effect, where: string = key) =>
    asked.push({ key, effect, where: `calendar.${where}` })
  if (tradingDay)
    ask('tradingDay', { effect: tradingDay === 'six' ? 'tradingDay6' : 'tradingDay1' })
  if (length === 'leap-year') ask('length', { effect: 'leapYear' })
  if (length === 'length-of-period') ask('length', { effect: 'lengthOfPeriod' })
  if (easter !== undefined) ask('easter', { effect: 'easter', window: easter })
  holidays.forEach(({ name, dates, before = 0, after = 0 }, i) => {
    const days = dates.map((text) => dayOfText(text)!)
    ask(name, { effect: 'holiday', name, dates: days, before, after }, `holidays.${i}`)
  })
  const keys = asked.map(({ key }) => key)
  const twice = keys.find((key, i) => keys.indexOf(key) < i)
  if (twice !== undefined) {
    throw new Refusal(`Two effects are called ${twice}. Rename one of them.`, 'calendar.holidays')
  }
  const unknown = ifItHelps.find((key) => !keys.includes(key))
  if (unknown !== undefined) {
    throw new Refusal(
      `"${unknown}" is kept if it helps, and no effect of that name is asked for${keys.length > 0 ? `; there is ${keys.join(', ')}` : ''}.`,
      'calendar.ifItHelps',
    )
  }
  return asked.map((one) => ({ ...one, isOpen: ifItHelps.includes(one.key) }))
}

/** Whether values are divided by the length of their period. */
export function dividesByLength({ length }: CalendarDocument): boolean {
  return length === 'divide'
}

/** Whether what the effects leave is taken as an ARIMA model has it. @throws Refusal for orders without such a model */
export function hasArimaErrors(choice: CalendarDocument): boolean {
  if (choice.errors === 'arima') return true
  const key = ORDER_KEYS.find((one) => choice[one] !== undefined)
  if (key === undefined) return false
  throw new Refusal(
    `${key} belongs to errors of an ARIMA model, and these are independent. Take it out, or errors: "arima".`,
    `calendar.${key}`,
  )
}
