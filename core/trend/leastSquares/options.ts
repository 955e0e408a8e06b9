import { z } from 'zod'
import type { Calendar } from '../../calendar/calendar'
import { axisOf } from '../../calendar/axis'
import type { Period } from '../../calendar/period'
import { Refusal } from '../../refusal'
import type { DesignColumn } from '../../regression/design'
import { designCalendar } from '../../regression/designCalendar'
import { timeOf } from '../../regression/timeVariable'
import type { CommonTrend, CommonTrendDocument, TrainingSpan, TrendFacts } from '../commonOptions'
import type { TrendColumnsOf } from './fit'
import { designOfTrend, FITTED_FORMS, STRAIGHT, type FittedFormName } from './forms'

/** A break as it stands in a document. */
export interface BreakAt {
  /** Period code of the first period of the new slope. */
  readonly period: string
  /** Whether the level steps there too. */
  readonly level: boolean
}

/** More breaks than this are no trend any more. */
const MOST_BREAKS = 100

/** What a trend by least squares alone is asked. */
export const fittedDocument = {
  breaks: z
    .array(
      z
        .strictObject({ period: z.string().min(1).max(20), level: z.boolean().optional() })
        .readonly(),
    )
    .max(MOST_BREAKS)
    .readonly(),
}
type BreaksAsked = z.infer<typeof fittedDocument.breaks>
export interface FittedDocument extends CommonTrendDocument {
  readonly breaks?: BreaksAsked | undefined
}

/** A trend that is fitted by least squares, complete. */
export interface FittedTrendOptions extends CommonTrend {
  readonly form: FittedFormName
  /** Of the form with breaks alone, in the order of time. */
  readonly breaks?: readonly BreakAt[]
}

/**
 * Fills in the defaults: in the time code, through all periods.
 *
 * @throws Refusal for a form with breaks without any, and for a break that lies outside what is fitted
 */
export function completeFitted(
  form: FittedFormName,
  { time = 'code', breaks = [], last }: FittedDocument,
  facts: TrendFacts,
): FittedTrendOptions {
  const { bends } = FITTED_FORMS[form]
  const common = { form, time, ...(last === undefined ? {} : { last }) }
  if (!bends) return common
  if (breaks.length === 0) {
    throw new Refusal('A trend with breaks needs at least one: name its period.', 'trend.breaks')
  }
  return { ...common, breaks: inOrder(breaks, last, facts) }
}

/** The same of a shorter span: breaks without fitted periods on both sides are left behind. */
export function fittedWithin<Document extends FittedDocument>(
  document: Document,
  { from, to, timeCode }: TrainingSpan,
): Document {
  const { breaks } = document
  if (!breaks) return document
  const kept = breaks.filter(({ period }) => timeCode(period) > from && timeCode(period) < to)
  if (kept.length > 0) return { ...document, breaks: kept }
  const { breaks: _, ...without } = document
  return { ...without, form: STRAIGHT } as unknown as Document
}

/** The breaks in the order of time, each where it can be told. */
function inOrder(
  breaks: BreaksAsked,
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
        t: axisOf({ calendar, start }).tOfCode(period)!,
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
    ofLog: FITTED_FORMS[options.form].ofLog,
    last: options.last,
  }
}
