import type { MethodChange } from '../../finding'
import {
  dividesByLength,
  USUAL_EASTER,
  type CALENDAR_ERRORS,
  type CalendarDocument,
} from './options'

/** What becomes of an effect: it is left in, taken out, or taken out where AICc falls with it. */
export type EffectState = 'in' | 'out' | 'where-it-helps'

/** How a method calls the effects that are not lists of dates. */
export type UsualEffect = 'tradingDay' | 'length' | 'easter'

/** A list of dates with the days around them that count. */
export type DateList = NonNullable<CalendarDocument['holidays']>[number]

/** What an effect is taken out as where nothing else was said. */
const USUAL = {
  tradingDay: 'six',
  length: 'leap-year',
  easter: USUAL_EASTER,
} as const satisfies CalendarDocument

/** @param key of an effect, or the name of a list */
export function stateOf(asked: CalendarDocument, key: string): EffectState {
  if (asked.ifItHelps?.includes(key)) return 'where-it-helps'
  const isThere = key in USUAL ? asked[key as UsualEffect] !== undefined : listNamed(asked, key)
  return isThere ? 'out' : 'in'
}

/** The change of a method that leaves an effect in, takes it out, or leaves that to the criterion. */
export function withState(
  asked: CalendarDocument,
  key: UsualEffect,
  state: EffectState,
): MethodChange {
  const choice = state === 'in' ? undefined : (asked[key] ?? USUAL[key])
  return changeOf({ ...asked, [key]: choice, ifItHelps: open(asked, key, state) })
}

/** The change that takes an effect out in another way: another kind of columns, another window. */
export function withChoice<Key extends UsualEffect>(
  asked: CalendarDocument,
  key: Key,
  choice: CalendarDocument[Key],
): MethodChange {
  // Values are divided whether that helps or not: no criterion decides it.
  const next = { ...asked, [key]: choice }
  return changeOf(
    dividesByLength(next) ? { ...next, ifItHelps: open(next, 'length', 'out') } : next,
  )
}

/** The change that brings a list in, or in the place of the one of its name; left in, it goes. */
export function withList(
  asked: CalendarDocument,
  list: DateList,
  state: EffectState,
): MethodChange {
  const lists = asked.holidays ?? []
  const at = lists.findIndex(({ name }) => name === list.name)
  const others = lists.filter((_, i) => i !== at)
  const holidays = state === 'in' ? others : at < 0 ? [...lists, list] : lists.with(at, list)
  return changeOf({ ...asked, holidays, ifItHelps: open(asked, list.name, state) })
}

/** The change that takes what the effects leave as independent errors, or as an ARIMA model has them, its orders chosen. */
export function withErrors(
  asked: CalendarDocument,
  errors: (typeof CALENDAR_ERRORS)[number],
): MethodChange {
  return changeOf({ ...asked, ...NO_ORDERS, errors: errors === 'arima' ? errors : undefined })
}

/** What of a method is about such a model. */
const NO_ORDERS = {
  ...{ orders: undefined, seasonalOrders: undefined, constant: undefined },
  ...{ choose: undefined, seasonal: undefined, near: undefined },
} satisfies CalendarDocument

function listNamed({ holidays = [] }: CalendarDocument, key: string): boolean {
  return holidays.some(({ name }) => name === key)
}

function open({ ifItHelps = [] }: CalendarDocument, key: string, state: EffectState): string[] {
  const others = ifItHelps.filter((one) => one !== key)
  return state === 'where-it-helps' ? [...others, key] : others
}

/** Every part of it said, so that what is not asked for any more goes; and the calendar with the last of it. */
function changeOf({ holidays = [], ifItHelps = [], ...asked }: CalendarDocument): MethodChange {
  const calendar = {
    ...asked,
    holidays: holidays.length > 0 ? holidays : undefined,
    ifItHelps: ifItHelps.length > 0 ? ifItHelps : undefined,
  }
  const effects = { ...calendar, ...NO_ORDERS, errors: undefined }
  const isAny = Object.values(effects).some((part) => part !== undefined)
  return { calendar: isAny ? calendar : undefined }
}

/** A method with a list in the place of the one of its name; null where it has none, or the very same. */
export function withListGiven(
  { calendar }: { readonly calendar?: CalendarDocument | undefined },
  list: DateList,
): CalendarDocument | null {
  const holidays = calendar?.holidays ?? []
  const own = holidays.find(({ name }) => name === list.name)
  if (!own || isSameList(own, list)) return null
  return { ...calendar, holidays: holidays.map((one) => (one === own ? list : one)) }
}

/** Whether two lists count the same days. */
export function isSameList(a: DateList, b: DateList): boolean {
  const daysOf = ({ dates, before = 0, after = 0 }: DateList) =>
    JSON.stringify([[...new Set(dates)].toSorted(), before, after])
  return daysOf(a) === daysOf(b)
}
