import { axisOf } from '../calendar/axis'
import type { Period } from '../calendar/period'
import { takeApart } from '../calculate'
import type { MethodOnSeries } from '../offers'
import { Refusal } from '../refusal'
import { adjustedValues } from '../series/adjusted'
import type { Series, Value } from '../series/series'

/** A whole without its season beside the sum of its parts without theirs, laid on the time axis of one series. */
export interface LaidParts {
  /** What the parts are called. */
  readonly names: readonly string[]
  /** Whether the series itself is the whole; else the whole is the sum of it and the others. */
  readonly isWhole: boolean
  /** Time code of the first period. */
  readonly from: number
  readonly whole: readonly Value[]
  readonly parts: readonly Value[]
}

/** A sum that comes this near to a series at every period, as a share of it, is that series. */
const SAME = 0.005

/**
 * Lays an adjusted whole beside the sum of its adjusted parts: each part without its season by its own method, the whole by that of
 * the series on the Bench. They differ as soon as the parts have other seasons, or move apart.
 *
 * @param own the series on the Bench: the whole itself where the others add up to it, else one of the parts
 * @param others with their own methods
 * @returns the periods that all of them have
 * @throws Refusal where they do not add up: nothing chosen, other periods a year, other units, no period in common; and as a method of
 *   one of them is refused
 */
export function partsOfWhole(own: MethodOnSeries, others: readonly MethodOnSeries[]): LaidParts {
  if (others.length === 0) throw new Refusal('Choose the series that belong to it.', 'parts')
  for (const { series } of others) requireAlike(own.series, series)
  const all = [own, ...others]
  const span = commonSpan(all.map(({ series }) => series))
  const values = all.map(({ series }) => cut(series, adjustedValues(series), span))
  const [ownValues, ...otherValues] = values as [Value[], ...Value[][]]
  const isWhole = isSum(ownValues, otherValues)
  const parts = isWhole ? others : all
  return {
    ...{ names: parts.map(({ series }) => series.name), isWhole },
    from: axisOf(own.series).tOf(span.start),
    whole: isWhole ? adjustedOf(own, span) : adjustedOf(wholeOf(own, values, span), span),
    parts: summed(parts.map((part) => adjustedOf(part, span))),
  }
}

/** Periods that all series have. */
interface Span {
  readonly start: Period
  readonly periods: number
}

function commonSpan(all: readonly Series[]): Span {
  const { tOf, periodAt } = axisOf(all[0]!)
  const starts = all.map(({ start }) => tOf(start))
  const from = Math.max(...starts)
  const to = Math.min(...all.map(({ values }, i) => starts[i]! + values.length - 1))
  if (to < from) {
    throw new Refusal('The series have no period in common, so nothing adds up.', 'parts')
  }
  return { start: periodAt(from), periods: to - from + 1 }
}

/** @throws Refusal for a series that cannot be added to another */
function requireAlike(own: Series, other: Series): void {
  if (
    own.calendar.frequency !== other.calendar.frequency ||
    own.calendar.seasons !== other.calendar.seasons
  ) {
    throw new Refusal(
      `${other.name} has other periods than ${own.name}: they do not add up.`,
      'parts',
    )
  }
  if (own.unit !== other.unit) {
    throw new Refusal(
      `${other.name} is counted in ${other.unit || 'no unit'}, ${own.name} in ${own.unit || 'none'}: they do not add up.`,
      'parts',
    )
  }
}

/** A list of a series over the span that all have. */
function cut(series: Series, list: readonly Value[], span: Span): Value[] {
  const skipped = axisOf(series).tOf(span.start) - 1
  return Array.from({ length: span.periods }, (_, i) => list[skipped + i] ?? null)
}

/** A series without its season, over the span that all have. */
function adjustedOf({ series, document }: MethodOnSeries, span: Span): Value[] {
  const { firstT, decomposed } = takeApart(series, document)
  const list = series.values.map((_value, i) => decomposed.deseasonalized[i + 1 - firstT] ?? null)
  return cut(series, list, span)
}

/** The sum of the parts as a series of its own, by the method on the Bench over all its periods. */
function wholeOf(
  { series, document }: MethodOnSeries,
  values: readonly (readonly Value[])[],
  { start }: Span,
): MethodOnSeries {
  return {
    series: { ...series, start, values: summed(values), adjustments: [] },
    document: { ...document, span: undefined },
  }
}

/** Period by period; undefined where one has none. */
function summed(lists: readonly (readonly Value[])[]): Value[] {
  return lists[0]!.map((_first, i) =>
    lists.reduce<Value>((sum, list) => {
      const value = list[i]!
      return sum === null || value === null ? null : sum + value
    }, 0),
  )
}

function isSum(whole: readonly Value[], parts: readonly (readonly Value[])[]): boolean {
  const sums = summed(parts)
  return whole.every((value, i) => {
    const sum = sums[i]!
    return value === null || sum === null || Math.abs(sum - value) <= SAME * Math.abs(value)
  })
}
