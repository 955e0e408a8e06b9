import type { Calendar } from '../calendar/calendar'
import { countPeriods, onePeriod } from '../calendar/labels'
import { axisOf } from '../calendar/axis'
import { spanOf } from '../completeMethod'
import { forecastWayOf } from '../forecast/ways'
import type { Method } from '../method'
import { hasDays } from '../regression/timeVariable'
import type { Series } from '../series/series'
import { TREND_FORM_NAMES, TREND_FORMS } from '../trend/forms'
import { FITTED_FORM_NAMES } from '../trend/leastSquares/forms'
import { trendWayOf, type TrendOptions } from '../trend/ways'
import type { Choice, Field, Piece, Word } from '../word'
import { isAsked } from '../prepare/calendar/words'
import { seasonOut } from '../words/seasonOut'

/** The form of the trend, its breaks, and what it is fitted to: `a straight line through all 120 months`. */
export function trendPieces(method: Method, series: Series): Piece[] {
  const { trend } = method
  const form: Word = {
    id: 'trend',
    text: TREND_FORMS[trend.form].says,
    ask: { kind: 'pick', choices: trendChoices(method, series) },
  }
  const { calendar } = series
  const fitted: Word = {
    id: 'trendFit',
    text: fittedWords(trend, periodsOf(method, series), calendar),
    ask: trendFitAsk(method, series),
  }
  return [form, ...trendWayOf(trend.form).words(trend, calendar), ' through ', fitted]
}

function trendChoices(method: Method, series: Series): Choice[] {
  const { trend } = method
  const { firstT, lastT } = spanOf(method, series)
  const from = Math.max(firstT, lastT - (trend.last ?? Infinity) + 1)
  const middle = axisOf(series).codeAt(Math.round((from + lastT) / 2))
  const { fitsTrend } = forecastWayOf(method.forecast.by)
  const offered = fitsTrend ? FITTED_FORM_NAMES : TREND_FORM_NAMES
  return offered.map((form) => ({
    text: TREND_FORMS[form].says,
    means: TREND_FORMS[form].means,
    chosen: form === trend.form,
    change: trendWayOf(form).change(form, trend.breaks, middle),
  }))
}

/** How many periods are analysed. */
function periodsOf(method: Method, series: Series): number {
  const { firstT, lastT } = spanOf(method, series)
  return lastT - firstT + 1
}

/** `all 120 months`, `the last 60 months, in days` */
function fittedWords({ last, time }: TrendOptions, periods: number, calendar: Calendar): string {
  const what =
    last === undefined
      ? `all ${countPeriods(periods, calendar)}`
      : `the last ${countPeriods(last, calendar)}`
  return time === 'days' ? `${what}, in days` : what
}

function trendFitAsk(method: Method, series: Series): Word['ask'] {
  const { trend } = method
  const { calendar } = series
  const periods = periodsOf(method, series)
  const per = onePeriod(calendar)
  return {
    kind: 'fields',
    lead: `The trend is fitted to the ${calendar.seasons < 2 ? 'series' : seasonOut(method.calendar && isAsked(method.calendar) ? ['calendar'] : []).series}. Limits need more than ${calendar.seasons + 1} ${per}s.`,
    fields: [
      {
        kind: 'number',
        label: 'through the last',
        path: ['trend', 'last'],
        value: trend.last ?? periods,
        ...{ least: Math.min(3, periods), most: periods, unit: `${per}s` },
        shortcuts: [{ text: `all ${periods}`, value: undefined }],
      },
      ...(hasDays(calendar) && TREND_FORMS[trend.form].countsDays
        ? [
            {
              kind: 'choice',
              label: 'time counted in',
              path: ['trend', 'time'],
              value: trend.time,
              options: [
                { value: 'code', text: `${per}s, all alike` },
                { value: 'days', text: 'days' },
              ],
            } satisfies Field,
          ]
        : []),
    ],
    usual: { trend: { last: undefined, time: undefined } },
  }
}
