import type { Calendar } from '../../calendar/calendar'
import { timeCodeOfCode, type Period } from '../../calendar/period'
import { Refusal } from '../../refusal'
import type { DesignColumn } from '../../regression/design'
import { designCalendar } from '../../regression/designCalendar'
import { timeOf, type TimeKind } from '../../regression/timeVariable'
import type { BreakAt, TrendDocument, TrendFacts } from '../document'
import { designOfTrend, TREND_FORMS, type FittedFormName } from '../forms'
import type { TrendColumnsOf } from './fit'

/** A trend that is fitted by least squares, complete. */
export interface FittedTrendOptions {
  readonly form: FittedFormName
  readonly time: TimeKind
  /** Of the form with breaks alone, in the order of time. */
  readonly breaks?: readonly BreakAt[]
  readonly last?: number
}

/**
 * Fills in the defaults: in the time code, through all periods.
 *
 * @throws Refusal for a smoothing, and for a break that lies outside what is fitted
 */
export function completeFitted(
  form: FittedFormName,
  { time = 'code', breaks = [], last, smoothing }: TrendDocument,
  facts: TrendFacts,
): FittedTrendOptions {
  const { bends, says } = TREND_FORMS[form]
  if (smoothing !== undefined) {
    throw new Refusal(
      `smoothing belongs to the trend form "smoothed"; this trend is ${says}. Take it out.`,
      'trend.smoothing',
    )
  }
  const common = { form, time, ...(last === undefined ? {} : { last }) }
  return bends ? { ...common, breaks: inOrder(breaks, last, facts) } : common
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

/** What a trend is fitted to. */
export function fittedTo(
  options: FittedTrendOptions,
  { calendar, start }: { readonly calendar: Calendar; readonly start: Period },
): TrendColumnsOf {
  return {
    columns: trendDesign(options, calendar, start),
    ofLog: TREND_FORMS[options.form].ofLog,
    last: options.last,
  }
}
