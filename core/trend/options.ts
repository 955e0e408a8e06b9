import { z } from 'zod'
import type { Calendar } from '../calendar/calendar'
import { timeCodeOfCode, type Period } from '../calendar/period'
import { Refusal } from '../refusal'
import { requireWhole } from '../requireWhole'
import type { DesignColumn } from '../regression/design'
import { designCalendar } from '../regression/designCalendar'
import { TIME_KINDS, timeInDays, timeOf, type TimeKind } from '../regression/timeVariable'
import { designOfTrend, TREND_FORM_NAMES, TREND_FORMS, type FittedFormName } from './forms'
import { TREND_SMOOTHINGS, type TrendSmoothing } from './smoothed'

/** A break as it stands in a document. */
export interface BreakAt {
  /** Period code of the first period of the new slope. */
  readonly period: string
  /** Whether the level steps there too. */
  readonly level: boolean
}

/** More breaks than this are no trend any more. */
const MOST_BREAKS = 100

/** The trend, as a person or a script writes it. */
export const trendDocument = z
  .strictObject({
    form: z.enum(TREND_FORM_NAMES),
    time: z.enum(TIME_KINDS),
    breaks: z
      .array(
        z
          .strictObject({ period: z.string().min(1).max(20), level: z.boolean().optional() })
          .readonly(),
      )
      .max(MOST_BREAKS)
      .readonly(),
    /** Of a smoothed trend alone: what its slope does. */
    smoothing: z.enum(TREND_SMOOTHINGS),
    /** Fit to the last N periods of the span only, missing ones included. */
    last: z.int().min(1),
  })
  .partial()
export type TrendDocument = z.infer<typeof trendDocument>

/** A trend that is fitted by least squares, complete. */
export interface FittedTrendOptions {
  readonly form: FittedFormName
  readonly time: TimeKind
  /** Of the form with breaks alone, in the order of time. */
  readonly breaks?: readonly BreakAt[]
  readonly last?: number
}

/** A trend that follows the latest values, complete. */
export interface SmoothedTrendOptions {
  readonly form: 'smoothed'
  readonly smoothing: TrendSmoothing
  readonly time: 'code'
  readonly breaks?: undefined
  readonly last?: number
}

/** The trend, complete. */
export type TrendOptions = FittedTrendOptions | SmoothedTrendOptions

/** What a trend must know of its series. */
export interface TrendFacts {
  readonly calendar: Calendar
  readonly start: Period
  /** Time codes of the analysed span. */
  readonly firstT: number
  readonly lastT: number
  /** The time code of a period of the series. @throws Refusal for any other */
  timeCode(code: string, where: string): number
}

/**
 * Fills in the defaults of a trend: a straight line in the time code through all periods; of a smoothed one a damped slope.
 *
 * @throws Refusal for breaks, or a smoothing, that another form would pass over, for a form with breaks without any, and for a
 *   break that lies outside what is fitted
 */
export function completeTrend(document: TrendDocument, facts: TrendFacts): TrendOptions {
  const { form = 'linear', time = 'code', breaks = [], last, smoothing } = document
  if (last !== undefined) requireWhole(last, 1, Infinity, 'trend.last')
  if (time === 'days') timeInDays(facts.calendar, facts.start)
  const { bends, says } = TREND_FORMS[form]
  if (!bends && breaks.length > 0) {
    throw new Refusal(
      `breaks belong to the trend form "breaks"; this trend is ${says}. Take them out.`,
      'trend.breaks',
    )
  }
  if (bends && breaks.length === 0) {
    throw new Refusal('A trend with breaks needs at least one: name its period.', 'trend.breaks')
  }
  const through = last === undefined ? {} : { last }
  if (form === 'smoothed') {
    if (time === 'days') {
      throw new Refusal(
        'A smoothed trend goes from period to period and cannot count in days. Take the time code.',
        'trend.time',
      )
    }
    return { form, smoothing: smoothing ?? 'damped', time, ...through }
  }
  if (smoothing !== undefined) {
    throw new Refusal(
      `smoothing belongs to the trend form "smoothed"; this trend is ${says}. Take it out.`,
      'trend.smoothing',
    )
  }
  const common = { form, time, ...through }
  return bends ? { ...common, breaks: inOrder(breaks, last, facts) } : common
}

/** @throws Refusal for a trend without columns of its own, where a regression needs them */
export function requireFitted(trend: TrendOptions): FittedTrendOptions {
  if (trend.form !== 'smoothed') return trend
  throw new Refusal(
    'A regression has columns for its trend, and a smoothed level has none. Take a straight line, or forecast by decomposition.',
    'trend.form',
  )
}

/** A part of the analysed span that a method is fitted to, to see how it would have done after it. */
export interface TrainingSpan {
  /** Time codes of the first and the last period that the trend is fitted to. */
  readonly from: number
  readonly to: number
  timeCode(code: string): number
}

/** The same trend of a shorter span: breaks without fitted periods on both sides are left behind. */
export function trendWithin(
  { breaks, ...document }: TrendDocument,
  { from, to, timeCode }: TrainingSpan,
): TrendDocument {
  if (!breaks) return document
  const kept = breaks.filter(({ period }) => timeCode(period) > from && timeCode(period) < to)
  return kept.length > 0 ? { ...document, breaks: kept } : { ...document, form: 'linear' }
}

/** The breaks in the order of time, each where it can be told. */
function inOrder(
  breaks: NonNullable<TrendDocument['breaks']>,
  last: number | undefined,
  { firstT, lastT, timeCode }: TrendFacts,
): BreakAt[] {
  const from = Math.max(firstT, lastT - (last ?? Infinity) + 1)
  const seen = new Set<number>()
  const placed = breaks.map(({ period, level = false }, i) => {
    const where = `trend.breaks.${i}.period`
    const t = timeCode(period, where)
    if (seen.has(t)) throw new Refusal(`There are two breaks at ${period}.`, where)
    // A bend at either end has nothing on one side of it.
    if (t <= from || t >= lastT) {
      throw new Refusal(
        `A break at ${period} has no fitted periods on both sides of it. Move it inwards, or fit the trend to more periods.`,
        where,
        { t },
      )
    }
    seen.add(t)
    return { t, period, level }
  })
  return placed.sort((a, b) => a.t - b.t).map(({ period, level }) => ({ period, level }))
}

/** The columns of a trend beside the constant. */
export function trendDesign(
  { form, time, breaks = [] }: FittedTrendOptions,
  calendar: Calendar,
  start: Period,
): DesignColumn[] {
  return designOfTrend(
    {
      form,
      time: timeOf(time, calendar, start),
      breaks: breaks.map(({ period, level }) => ({
        t: timeCodeOfCode(period, calendar, start),
        level,
      })),
    },
    designCalendar(calendar, start),
  )
}
