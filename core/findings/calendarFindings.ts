import { axisOf } from '../calendar/axis'
import { countPeriods } from '../calendar/labels'
import type { Examined } from '../examine'
import type { Finding, MethodChange } from '../finding'
import type { Method } from '../method'
import type { Model } from '../model'
import { periodsNeeded, saysOf } from '../prepare/calendar/effects'
import type { EffectLeft } from '../prepare/calendar/left'
import { dividesByLength, effectsAsked, type CalendarDocument } from '../prepare/calendar/options'
import { calendarTakenIn, type EffectRead } from '../prepare/calendar/reading'
import type { CalendarTaken } from '../prepare/calendar/taken'
import type { TakenOut } from '../prepare/prepare'

import type { Series } from '../series/series'
import { normalQuantile } from '../statistics/distributions'
import { capitalized } from '../series/noun'
import { listed } from '../words/listed'
import { figure, inUnit, percent, probability } from '../words/figure'

/** Above this an effect cannot be told from nothing. */
const NOTHING = 0.05
const LEVEL = 95

/** How the effects that are looked for are called, and whether there are several. */
const NAMES = {
  tradingDay: { name: 'trading days', verb: 'explain' },
  length: { name: 'leap days', verb: 'explain' },
  easter: { name: 'Easter', verb: 'explains' },
} as const

/** What the calendar does that is left in, what is taken out and does nothing, and what the span is too short for. */
export function calendarFindings(
  { calendarLeft }: Pick<Examined, 'calendarLeft'>,
  takenOut: TakenOut | null,
  method: Method,
  series: Series,
): Finding[] {
  const asked = method.calendar ?? {}
  const taken = calendarTakenIn(takenOut)
  return [
    ...leftIn(calendarLeft, taken, asked, method.decompose.model, series.unit),
    ...(taken ? idle(taken, asked) : []),
    ...tooShort(asked, method, series),
  ]
}

/** One sentence for all that is left in, and one click that takes all of it out. */
function leftIn(
  left: readonly EffectLeft[],
  taken: CalendarTaken | null,
  asked: CalendarDocument,
  model: Model,
  unit: string,
): Finding[] {
  if (left.length === 0) return []
  const isAgain = taken !== null && taken.groups.some(({ isKept }) => isKept)
  const each = left.map(({ key, joint, share, foremost }, i) => {
    const { name, verb } = NAMES[key]
    const of = i === 0 ? 'of what season and trend leave' : 'of it'
    return `${name} ${isAgain ? 'still ' : ''}${verb} ${percent(share)} ${of} (F(${joint.df1}, ${joint.df2}) = ${figure(joint.f!)}, p ${probability(joint.p!)}; ${effectWords(foremost, model, unit)})`
  })
  const keys = left.map(({ key }) => key)
  const open = asked.ifItHelps?.filter((key) => !keys.some((own) => own === key))
  const change: MethodChange = {
    calendar: {
      ...Object.assign({}, ...left.map(({ takenOutBy }) => takenOutBy)),
      ...(open ? { ifItHelps: open.length > 0 ? open : undefined } : {}),
    },
  }
  return [
    {
      code: 'calendar-left',
      // No caution: replacing an outlier lets it be seen, and is not to blame for it.
      severity: 'note',
      stage: 'look',
      text: isAgain
        ? `After the calendar was taken out, ${each.join('; ')}.`
        : `${capitalized(each.join('; '))}. Left in, ${left.length === 1 && keys[0] === 'easter' ? 'it passes' : 'they pass'} for good and bad periods.`,
      period: null,
      figure: Math.max(...left.map(({ share }) => share)),
      actions: [{ label: `Take ${listed(keys.map((key) => NAMES[key].name))} out`, change }],
    },
  ]
}

/** Effects that are taken out whatever they do, and do nothing. */
function idle({ groups }: CalendarTaken, asked: CalendarDocument): Finding[] {
  const open = asked.ifItHelps ?? []
  const doNothing = groups.filter(
    ({ key, isKept, helps, joint }) =>
      isKept && !open.includes(key) && !helps && joint.p !== null && joint.p > NOTHING,
  )
  if (doNothing.length === 0) return []
  const each = doNothing.map(
    ({ says, joint: { f, df1, df2, p } }) =>
      `the effect ${says} (F(${df1}, ${df2}) = ${figure(f!)}, p ${probability(p!)})`,
  )
  const keys = doNothing.map(({ key }) => key)
  const them = keys.length === 1 ? 'it' : 'them'
  return [
    {
      code: 'calendar-idle',
      severity: 'note',
      stage: 'look',
      text: `What is taken out of the calendar holds what cannot be told from nothing: ${listed(each)}.`,
      period: null,
      figure: Math.max(...doNothing.map(({ joint }) => joint.p!)),
      actions: [
        { label: `Leave ${them} in`, change: withoutEffects(keys, asked) },
        {
          label: `Take ${them} out only where it helps`,
          change: { calendar: { ifItHelps: [...open, ...keys] } },
        },
      ],
    },
  ]
}

/** The change that takes effects out of a method, and the calendar with them where nothing else is asked for. */
function withoutEffects(keys: readonly string[], asked: CalendarDocument): MethodChange {
  const stays = effectsAsked(asked).some(({ key }) => !keys.includes(key))
  if (!stays && !dividesByLength(asked)) return { calendar: undefined }
  const holidays = asked.holidays?.filter(({ name }) => !keys.includes(name)) ?? []
  const named = keys.filter((key) => key in NAMES)
  return {
    calendar: {
      ...Object.fromEntries(named.map((key) => [key, undefined])),
      ...(asked.holidays ? { holidays: holidays.length > 0 ? holidays : undefined } : {}),
    },
  }
}

/** Effects that are taken out where they help, of which the span cannot tell that. */
function tooShort(asked: CalendarDocument, { span }: Method, series: Series): Finding[] {
  const { calendar, tOfCode } = axisOf(series)
  const [first, last] = [span.from, span.to].map(tOfCode)
  const there = last! - first! + 1
  const short = effectsAsked(asked).filter(
    ({ effect, isOpen }) => isOpen && there < periodsNeeded(effect, calendar),
  )
  if (short.length === 0) return []
  const each = short.map(
    ({ effect }) =>
      `${saysOf(effect)} from ${countPeriods(periodsNeeded(effect, calendar), calendar)} on`,
  )
  return [
    {
      code: 'calendar-too-short',
      severity: 'note',
      stage: 'look',
      text: `The span of ${countPeriods(there, calendar)} is too short to tell whether these effects help, and they are left in: ${listed(each)}.`,
      period: null,
      figure: there,
    },
  ]
}

/** `one Saturday more: +2.1% ± 0.6` */
function effectWords(
  { name, estimate, standardError }: Omit<EffectRead, 'weights'>,
  model: Model,
  unit: string,
) {
  const reach = normalQuantile(LEVEL) * standardError
  const sign = estimate < 0 ? '−' : '+'
  return model === 'multiplicative'
    ? `${name}: ${sign}${percent(estimate)} ± ${percent(reach)}`
    : `${name}: ${sign}${inUnit(Math.abs(estimate), unit)} ± ${figure(reach)}`
}
