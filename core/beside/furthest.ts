import { periodLabel } from '../calendar/labels'
import { parsePeriod } from '../calendar/codes'
import { traitsOf, wayOf } from '../decompose/ways'
import { MODEL } from '../model'
import { calendarOfResult } from '../ledger/calendarOfResult'
import type { Result } from '../result'
import type { Value } from '../series/series'
import { centredAverage } from '../smoothing/movingAverage'
import { ordinal } from '../words/ordinal'
import { inUnit, percent } from '../words/figure'

/** How far one period stands from the trend, once its season is out. */
export interface Distance {
  readonly t: number
  readonly label: string
  /** Share of the trend (multiplicative), or units of the series; above 0 is over the trend. */
  readonly distance: number
  /** Place of its sales among all periods, from the highest (over trend) or the lowest (under it). */
  readonly salesRank: number
  readonly words: string
}

/** The periods furthest over and under the trend, the furthest first. */
export interface Furthest {
  /** What they are measured from: the trend, or where that does not fit the trend-cycle. */
  readonly from: 'trend' | 'trend-cycle'
  readonly over: readonly Distance[]
  readonly under: readonly Distance[]
}

/**
 * Which periods were really good or bad: the deseasonalized value against the trend, in both directions; where the trend
 * does not fit, or follows the values, against the trend-cycle: a period is not good for lying over a line that has left the
 * series.
 *
 * @param result with a trend through the deseasonalized series
 * @param count periods in either direction
 * @example 'Aug 2023 was really the best: 11% over trend, though only 3rd highest in sales.'
 */
export function furthestFromTrend(result: Result, count: number): Furthest {
  const { columns, method, series } = result
  const { model } = method.decompose
  const { takeOut, neutral } = MODEL[model]
  const calendar = calendarOfResult(result)
  const from = levelOf(result)
  const levels = from === 'trend' ? columns.trend : cycleWithoutOutliers(result)
  const all = columns.deseasonalized.flatMap((value, i) => {
    const trend = levels[i]!
    // A share of a trend that is not above 0 would turn its sign.
    if (value === null || trend === null || (model === 'multiplicative' && trend <= 0)) return []
    return [{ i, distance: takeOut(value, trend) - neutral }]
  })
  const side = (sign: 1 | -1) =>
    all
      .filter(({ distance }) => distance * sign > 0)
      .sort((a, b) => sign * (b.distance - a.distance))
      .slice(0, count)
      .map(({ i, distance }, place): Distance => {
        const sales = columns.value[i]!
        const beyond = columns.value.filter(
          (other) => other !== null && (sign > 0 ? other > sales : other < sales),
        )
        const one = {
          t: columns.t[i]!,
          label: periodLabel(parsePeriod(columns.period[i]!, calendar)!, calendar),
          distance,
          salesRank: beyond.length + 1,
        }
        const unit = model === 'multiplicative' ? null : series.unit
        const { noun } = series
        return { ...one, words: wordsOf(one, place, sign, { unit, noun, count: all.length, from }) }
      })
  return { from, over: side(1), under: side(-1) }
}

/** The trend-cycle as it would be without the outliers: an average that a flood pulls down makes its neighbours good months. */
function cycleWithoutOutliers(result: Result): readonly Value[] {
  const { columns, outliers, method } = result
  const average = wayOf(method.decompose.by).average(method.decompose, calendarOfResult(result))
  if (outliers.length === 0 || average?.kind !== 'centred') return columns.trendCycle
  const replaced = [...columns.value]
  for (const { t, expected } of outliers) replaced[t - columns.t[0]!] = expected
  return centredAverage(replaced, average.order)
}

/**
 * A trend that does not fit says nothing of single periods, nor does a smoothed one, which a flood pulls down and the month
 * after it then stands far above; where there is a trend-cycle of its own that is asked.
 */
function levelOf({ trendFits, columns, method }: Result): Furthest['from'] {
  const hasCycle = columns.trendCycle.some((value) => value !== null)
  const isLine = traitsOf(method.decompose).trendIsLine
  const fits = trendFits !== null && trendFits.verdict !== 'does-not-fit'
  return !fits && hasCycle && !isLine ? 'trend-cycle' : 'trend'
}

function wordsOf(
  { label, distance, salesRank }: Omit<Distance, 'words'>,
  place: number,
  sign: 1 | -1,
  {
    unit,
    noun,
    count,
    from,
  }: { unit: string | null; noun: string; count: number; from: Furthest['from'] },
): string {
  const size = unit === null ? percent(distance) : inUnit(Math.abs(distance), unit)
  const side = sign > 0 ? 'over' : 'under'
  const extreme = sign > 0 ? 'best' : 'worst'
  const really = place === 0 ? `${label} was really the ${extreme}: ` : `${label}: `
  const highest = sign > 0 ? 'highest' : 'lowest'
  const rank =
    salesRank === 1
      ? `and it was the ${highest} in ${noun} too`
      : salesRank > count / 2
        ? `though it was in the ${sign > 0 ? 'lower' : 'upper'} half in ${noun}`
        : `though only ${ordinal(salesRank)} ${highest} in ${noun}`
  return `${really}${size} ${side} ${from}, ${rank}.`
}
