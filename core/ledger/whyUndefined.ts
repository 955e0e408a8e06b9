import { countPeriods } from '../calendar/labels'
import { calendarOfResult } from './calendarOfResult'
import { cellValue, lastActualT, limitOf, type Cell } from './cell'
import type { Result } from '../result'

/**
 * Why a cell of the ledger is empty, in one sentence.
 *
 * @param cell a cell whose value is undefined
 */
export function whyUndefined(result: Result, { column, t }: Cell): string {
  const { forecast, series } = result
  const last = lastActualT(result)
  const isForecast = limitOf(column) !== null || column.startsWith('forecast')
  if (isForecast && t <= last)
    return 'This period has an actual value; the forecast starts after the last one.'
  if (limitOf(column)) {
    return `There are no limits: the degrees of freedom left are ${forecast.interval.df}, and at least 1 is needed.`
  }
  if (t > last)
    return 'This period lies in the forecast, where there is nothing to calculate this from.'
  if (column === 'original') return 'No value came in for this period.'
  if (
    cellValue(result, { column: 'value', t }) === null &&
    column !== 'trendCycle' &&
    column !== 'movingAverage'
  ) {
    return column === 'value' ? whyNoValue(result, t) : 'This period has no value.'
  }
  switch (column) {
    case 'trend':
    case 'fitted':
    case 'residual':
      return 'The trend is fitted to later periods only.'
    case 'cycle':
      if (cellValue(result, { column: 'trendCycle', t }) !== null) {
        return 'The straight trend is not above 0 here, and a share of it has no meaning.'
      }
      return noAverage(result, t)
    case 'movingAverage':
      return t + series.seasons - 1 > last
        ? `An average of ${series.seasons} terms from here would run past the last period.`
        : `One of the ${series.seasons} values from here on is missing, and no average is taken over fewer terms.`
    default:
      return noAverage(result, t)
  }
}

/** A centred average reaches half a year to either side. */
function noAverage(result: Result, t: number): string {
  const calendar = calendarOfResult(result)
  const half = Math.floor(result.series.seasons / 2)
  const before = t - result.columns.t[0]! < half
  const short = before ? 'before' : lastActualT(result) - t < half ? 'after' : null
  return short
    ? `No average here: it needs ${countPeriods(half, calendar)} on either side, and there are not as many ${short} this one.`
    : `No average here: a value within ${countPeriods(half, calendar)} on either side is missing.`
}

function whyNoValue(result: Result, t: number): string {
  const code = result.columns.period[t - result.columns.t[0]!]
  const leftOut = result.adjustments.find(({ period }) => period === code)
  if (leftOut) return `Left out by the analyst: ${leftOut.reason}.`
  const isFilling = result.method.missing !== 'leave'
  return isFilling
    ? 'No value came in for this period, and at the end of a series there is nothing to interpolate between.'
    : 'No value came in for this period.'
}
