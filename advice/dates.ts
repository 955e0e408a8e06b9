import { analyse } from '../core/analyse'
import { axisOf } from '../core/calendar/axis'
import { dayCode } from '../core/calendar/rhythms/days'
import type { MethodDocument } from '../core/method'
import { calendarTakenOf, readEffects } from '../core/prepare/calendar/reading'
import { holidayShare } from '../core/regression/regressors/calendar/ownHolidays'
import type { Series } from '../core/series/series'
import { normalQuantile } from '../core/statistics/distributions'
import { carrying } from './calendar'
import { KINDS, makeKind, type Kind } from './kinds'
import type { Say } from './say'
import { randomFrom } from './series'

const FORMS = ['linear', 'smoothed'] as const
type Form = (typeof FORMS)[number]
const MADE_OF = [KINDS.flat, KINDS.veryLikeLine, KINDS.walk, KINDS.noisyWalk, KINDS.stairs]
const LEVEL = 95
const YEAR = 366

/** A rhythm, its length, the periods of its forecast, the days after each date that belong to it, and whether dates come once a year. */
interface Case {
  readonly frequency: 'daily' | 'weekly'
  readonly length: number
  readonly ahead: number
  readonly after: number
  readonly yearly?: boolean
  readonly says: string
}
const CASES: readonly Case[] = [
  { frequency: 'daily', length: 730, ahead: 7, after: 0, says: '730 days, single days' },
  { frequency: 'daily', length: 730, ahead: 7, after: 2, says: '730 days, three in a row' },
  {
    ...{ frequency: 'daily', length: 730, ahead: 7, after: 2, yearly: true },
    says: '730 days, three in a row once a year',
  },
  { frequency: 'weekly', length: 156, ahead: 52, after: 2, says: '156 weeks' },
]

/** What is said of dates that are taken out of days and weeks, where nothing happens on them and where something does. */
export function datesOfDays(say: Say, count: number): void {
  for (const form of FORMS) {
    for (const kind of MADE_OF) {
      for (const one of CASES) {
        const what = `${kind.name}, ${one.says}, ${form} trend`
        const rate = (hasEffect: boolean, is: (told: Told) => boolean) => {
          let found = 0
          for (let seed = 1; seed <= count; seed++) {
            if (is(toldOf(form, one, withDates(kind, one, seed, hasEffect)))) found++
          }
          return (100 * found) / count
        }
        say(
          `dates without effect shown as more than nothing: ${what}`,
          rate(false, ({ isBeyond }) => isBeyond),
          { most: 10 },
        )
        // A line through a level that wanders leaves the wandering to the errors: there an effect may be missed, as one of
        // two dates may.
        if ((form === 'linear' && kind !== KINDS.flat) || one.yearly) continue
        say(
          `dates with an effect said to do nothing: ${what}`,
          rate(true, ({ isIdle }) => isIdle),
          { most: 5 },
        )
      }
    }
  }
}

interface Dated {
  readonly series: Series
  /** Days since the first of 1970. */
  readonly dates: readonly number[]
}

/** A series, and dates three weeks to ten apart, or a year, which may have an effect in it. */
function withDates(
  kind: Kind,
  { frequency, length, ahead, after, yearly = false }: Case,
  seed: number,
  hasEffect: boolean,
): Dated {
  const plain = makeKind(kind, { length, seed, frequency })
  const axis = axisOf(plain)
  const random = randomFrom(5000 + seed)
  const end = axis.firstDay(length + ahead)! + YEAR
  const dates: number[] = []
  const apart = yearly ? YEAR - 40 : 20
  for (
    let day = axis.firstDay(1)! - YEAR;
    day < end;
    day += apart + Math.floor(50 * random.uniform())
  )
    dates.push(day)
  const holiday = { name: 'sale', dates, before: 0, after }
  const series = hasEffect
    ? carrying(
        plain,
        (t) => holidayShare(axis, holiday, t),
        (share) => share > 0,
      )
    : plain
  return { series, dates }
}

interface Told {
  /** Whether its limits leave nothing out. */
  readonly isBeyond: boolean
  readonly isIdle: boolean
}

function toldOf(form: Form, { after }: Case, { series, dates }: Dated): Told {
  const sale = { name: 'sale', dates: dates.map(dayCode), after }
  const document: MethodDocument = {
    ...{ format: 'elvant-method/1', trend: { form }, calendar: { holidays: [sale] } },
  }
  const result = analyse(series, document)
  const [read] = readEffects(calendarTakenOf(result)!)
  return {
    isBeyond: Math.abs(read!.estimate) > normalQuantile(LEVEL) * read!.standardError,
    isIdle: result.findings.some(({ code }) => code === 'calendar-idle'),
  }
}
