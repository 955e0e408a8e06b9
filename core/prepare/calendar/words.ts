import { canHaveDates, isOfMonths } from '../../calendar/civil'
import type { Series } from '../../series/series'
import type { Choice, Piece } from '../../word'
import { listed } from '../../words/listed'
import { dividesByLength, effectsAsked, USUAL_EASTER, type CalendarDocument } from './options'

/** What an offer takes the place of: everything but lists of dates, which are the analyst's own. */
const NOTHING: Readonly<Record<string, undefined>> = {
  ...{ errors: undefined, tradingDay: undefined, length: undefined, easter: undefined },
  ...{ ifItHelps: undefined, orders: undefined, seasonalOrders: undefined },
  ...{ constant: undefined, choose: undefined, seasonal: undefined, near: undefined },
}

/** What is usually looked for, each taken out only where AICc falls with it. */
export const WHERE_IT_HELPS: CalendarDocument = {
  ...{ tradingDay: 'six', length: 'leap-year', easter: USUAL_EASTER },
  ifItHelps: ['tradingDay', 'length', 'easter'],
}

/** What is offered: each says what is taken out. */
const OFFERED: readonly { readonly calendar: CalendarDocument; readonly means: string }[] = [
  {
    calendar: WHERE_IT_HELPS,
    means: 'Each is taken out only where AICc falls with it; Look says which were.',
  },
  {
    calendar: { tradingDay: 'six', length: 'leap-year', easter: USUAL_EASTER },
    means: 'Every day of the week, 29 February, and the eight days before Easter.',
  },
  {
    calendar: { tradingDay: 'six', length: 'leap-year' },
    means: 'Every day of the week has an effect of its own.',
  },
  {
    calendar: { tradingDay: 'one', length: 'leap-year' },
    means: 'Weekdays have one effect, Saturdays and Sundays the other.',
  },
  {
    calendar: { easter: USUAL_EASTER },
    means: 'The eight days before Easter, wherever they fall.',
  },
  {
    calendar: { tradingDay: 'one', length: 'divide' },
    means: 'Values are divided by the days of their period first; weekdays have one effect.',
  },
]

/** The calendar's word: what of it is taken out, of a series whose months or quarters add up the sales of their days. */
export function calendarPieces(choice: CalendarDocument | null, series: Series): Piece[] {
  const isOn = choice !== null && isAsked(choice)
  const isOfDays = !isOfMonths(series.calendar)
  if (!isOn && !(isOfDays ? canHaveDates(series.calendar) : hasCalendarEffects(series))) return []
  const own = isOn ? calendarWords(choice) : null
  const leftIn = isOfDays ? DATES_LEFT_IN : LEFT_IN
  const choices: Choice[] = (isOfDays ? [] : OFFERED).map(({ calendar, means }) => {
    const offered = withLists(calendar, choice)
    const text = calendarWords(offered)
    return { text, means, chosen: text === own, change: { calendar: { ...NOTHING, ...offered } } }
  })
  return [
    isOn ? ' without ' : ' with ',
    {
      id: 'calendar',
      text: own ?? leftIn.text,
      ask: {
        kind: 'pick',
        choices: [
          {
            ...leftIn,
            chosen: !isOn,
            change: { calendar: undefined },
          },
          ...choices,
          ...(own !== null && !choices.some(({ chosen }) => chosen)
            ? [{ text: own, means: 'As the method says it.', chosen: true, change: {} }]
            : []),
        ],
      },
    },
  ]
}

/** An offer beside the lists of dates that the method has already, each kept or left to the criterion as it was. */
function withLists(offered: CalendarDocument, before: CalendarDocument | null): CalendarDocument {
  const { holidays = [], ifItHelps = [] } = before ?? {}
  if (holidays.length === 0) return offered
  const open = holidays.map(({ name }) => name).filter((name) => ifItHelps.includes(name))
  const helps = [...(offered.ifItHelps ?? []), ...open]
  return { ...offered, holidays, ...(helps.length > 0 ? { ifItHelps: helps } : {}) }
}

/** Whether the months or quarters of a series add up days that are known: there its calendar may have effects. */
export function hasCalendarEffects({ calendar, start, quantity = 'flow' }: Series): boolean {
  return isOfMonths(calendar) && start.cycle >= 100 && quantity === 'flow'
}

const LEFT_IN = {
  text: 'calendar effects',
  means: 'Months differ by their days of the week and by where Easter lies; it is left in.',
} as const
const DATES_LEFT_IN = {
  text: 'holidays and events',
  means: 'What happens on dates of a list, such as holidays or promotions, is left in.',
} as const

/** Whether anything is asked for at all. */
export function isAsked(choice: CalendarDocument): boolean {
  return dividesByLength(choice) || effectsAsked(choice).length > 0
}

/** `trading days, leap days and Easter, where they help` */
export function calendarWords(choice: CalendarDocument): string {
  const { tradingDay, length, easter, holidays = [], ifItHelps = [] } = choice
  const open = new Set(ifItHelps)
  const named: readonly (readonly [string, string | null])[] = [
    [
      'tradingDay',
      tradingDay ? (tradingDay === 'six' ? 'trading days' : 'weekdays against weekends') : null,
    ],
    ['length', length ? LENGTH_WORDS[length] : null],
    [
      'easter',
      easter === undefined
        ? null
        : easter === USUAL_EASTER
          ? 'Easter'
          : `Easter (${easter} days before)`,
    ],
    ...holidays.map(({ name }) => [name, name] as const),
  ]
  const asked = named.flatMap(([key, words]) => (words === null ? [] : [{ key, words }]))
  const kept = asked.filter(({ key }) => !open.has(key)).map(({ words }) => words)
  const left = asked.filter(({ key }) => open.has(key)).map(({ words }) => words)
  const help =
    left.length === 0
      ? ''
      : `${listed(left)}, where ${left.length === 1 ? 'it helps' : 'they help'}`
  const effects = [...(kept.length > 0 ? [listed(kept)] : []), ...(help ? [help] : [])].join('; ')
  return choice.errors === 'arima' ? `${effects}, with ARIMA errors` : effects
}

const LENGTH_WORDS = {
  'leap-year': 'leap days',
  'length-of-period': 'lengths of period',
  divide: 'divided by days',
} as const
