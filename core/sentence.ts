import type { Calendar } from './calendar/calendar'
import { countPeriods, onePeriod, periodLabel } from './calendar/labels'
import { formatPeriod, parsePeriod, periodAt, periodsBetween } from './calendar/period'
import { MISSING_RULES, type MissingRule } from './care/fillMissing'
import { wayOf, waysFor } from './decompose/ways'
import { spanOf } from './completeMethod'
import { LONGEST_HORIZON, type LimitKind } from './forecast/commonOptions'
import type { MethodChange } from './finding'
import { FORECAST_WAYS, forecastWayOf, type ForecastName } from './forecast/ways'
import { exclusionsOf, type Method, type Span } from './method'
import { MODELS, type Model } from './model'
import { capitalized, nounOf } from './series/noun'
import { adjustedValues } from './series/adjusted'
import type { Series } from './series/series'
import { hasDays } from './regression/timeVariable'
import { breakChange, formChange, smoothedChange } from './trend/formChange'
import { FITTED_FORM_NAMES, TREND_FORM_NAMES, TREND_FORMS } from './trend/forms'
import type { TrendOptions } from './trend/options'
import { TREND_SMOOTHINGS, type TrendSmoothing } from './trend/smoothed'
import { breakWords, SLOPE_SAYS } from './trend/words'
import type { Choice, Field, Piece, Word } from './word'

/**
 * The method in one sentence, every choice a word of its own.
 *
 * @param method complete
 * @example Sales of *all 120 months* as *multiplicative*, by *ratio to a 2×12 moving average*; indices
 *   by *mean*, *adjusted to average 1*; trend *a straight line* through *all 120 months*; project
 *   *12 months* *by decomposition*, with *80% and 95%* limits *of the model*.
 */
export function methodSentence(method: Method, series: Series): Piece[] {
  const { decompose, forecast } = method
  const { calendar } = series
  const way = wayOf(decompose.by)
  return [
    `${capitalized(nounOf(series))} of `,
    spanWord(method, series),
    ...missingPieces(method, series),
    ' as ',
    { id: 'model', text: decompose.model, ask: { kind: 'pick', choices: modelChoices(method) } },
    way.says(calendar, decompose.model).lead,
    wayWord(method, calendar),
    ...way.words(decompose, calendar),
    ...exclusionPieces(method),
    '; trend ',
    ...trendPieces(method, series),
    '; project ',
    horizonWord(forecast.horizon, calendar),
    ' ',
    ...forecastPieces(method, calendar),
    ', with ',
    levelsWord(forecast.levels),
    ' limits ',
    limitsWord(forecast),
    '.',
  ]
}

/** The pieces as plain text. */
export function sentenceText(pieces: readonly Piece[]): string {
  return pieces.map((piece) => (typeof piece === 'string' ? piece : piece.text)).join('')
}

/** The stretch that is analysed: all of it, or from one period to another. */
function spanWord({ span }: Method, series: Series): Word {
  const { calendar, start, values } = series
  const periods = values.map((_, i) => periodAt(start, i + 1, calendar.seasons))
  const options = periods.map((period) => ({
    value: formatPeriod(period, calendar),
    text: periodLabel(period, calendar),
  }))
  return {
    id: 'span',
    text: spanWords(span, series),
    ask: {
      kind: 'fields',
      lead: 'Nothing outside these periods is used; the forecast begins after the last.',
      fields: [
        { kind: 'choice', label: 'from', path: ['span', 'from'], value: span.from, options },
        { kind: 'choice', label: 'to', path: ['span', 'to'], value: span.to, options },
      ],
      usual: { span: undefined },
    },
  }
}

/** `all 120 months`, `84 months from Jan 2018 to Dec 2024` */
function spanWords(span: Span, { calendar, start, values }: Series): string {
  const period = (code: string) => parsePeriod(code, calendar)!
  const count = periodsBetween(period(span.from), period(span.to), calendar.seasons) + 1
  const isWhole = count === values.length && span.from === formatPeriod(start, calendar)
  const label = (code: string) => periodLabel(period(code), calendar)
  return isWhole
    ? `all ${countPeriods(count, calendar)}`
    : `${countPeriods(count, calendar)} from ${label(span.from)} to ${label(span.to)}`
}

const MODEL_MEANS: Record<Model, string> = {
  multiplicative: 'The swing grows with the level; indices are factors around 1.',
  additive: 'The swing stays the same; indices are amounts around 0.',
}

function modelChoices({ decompose }: Method) {
  return MODELS.map((model) => ({
    text: model,
    means: MODEL_MEANS[model],
    chosen: decompose.model === model,
    change: { decompose: { model } },
  }))
}

/** How the series is taken apart; only ways that its calendar allows are offered. */
function wayWord({ decompose }: Method, calendar: Calendar): Word {
  return {
    id: 'by',
    text: wayOf(decompose.by).says(calendar, decompose.model).text,
    ask: {
      kind: 'pick',
      choices: waysFor(calendar).map(({ name, says }) => {
        const { text, means } = says(calendar, decompose.model)
        return { text, means, chosen: name === decompose.by, change: { decompose: { by: name } } }
      }),
    },
  }
}

/** The form of the trend, its breaks, and what it is fitted to: `a straight line through all 120 months`. */
function trendPieces(method: Method, series: Series): Piece[] {
  const { trend } = method
  const form: Word = {
    id: 'trend',
    text: TREND_FORMS[trend.form].says,
    ask: { kind: 'pick', choices: trendChoices(method, series) },
  }
  const { calendar } = series
  const breaks: Piece[] = trend.breaks
    ? [' at ', { id: 'breaks', text: breakWords(trend.breaks, calendar), ask: { kind: 'own' } }]
    : []
  const slope: Piece[] = trend.form === 'smoothed' ? [' ', slopeWord(trend.smoothing)] : []
  const fitted: Word = {
    id: 'trendFit',
    text: fittedWords(trend, periodsOf(method, series), calendar),
    ask: trendFitAsk(method, series),
  }
  return [form, ...slope, ...breaks, ' through ', fitted]
}

function trendChoices(method: Method, series: Series): Choice[] {
  const { trend } = method
  const { calendar, start } = series
  const { firstT, lastT } = spanOf(method, series)
  const from = Math.max(firstT, lastT - (trend.last ?? Infinity) + 1)
  const middle = formatPeriod(
    periodAt(start, Math.round((from + lastT) / 2), calendar.seasons),
    calendar,
  )
  const { fitsTrend } = forecastWayOf(method.forecast.by)
  const offered = fitsTrend ? FITTED_FORM_NAMES : TREND_FORM_NAMES
  return offered.map((form) => ({
    text: TREND_FORMS[form].says,
    means: TREND_FORMS[form].means,
    chosen: form === trend.form,
    change: changeTo(form),
  }))

  function changeTo(form: TrendOptions['form']): MethodChange {
    if (form === 'smoothed') return smoothedChange()
    if (form !== 'breaks') return formChange(form)
    return breakChange(trend.breaks ?? [{ period: middle, level: false }])
  }
}

function slopeWord(smoothing: TrendSmoothing): Word {
  const choices = TREND_SMOOTHINGS.map((one) => ({
    ...SLOPE_SAYS[one],
    chosen: one === smoothing,
    change: smoothedChange(one),
  }))
  return { id: 'slope', text: SLOPE_SAYS[smoothing].text, ask: { kind: 'pick', choices } }
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
    lead: `The trend is fitted to the ${calendar.seasons < 2 ? 'series' : 'deseasonalized series'}. Limits need more than ${calendar.seasons + 1} ${per}s.`,
    fields: [
      {
        kind: 'number',
        label: 'through the last',
        path: ['trend', 'last'],
        value: trend.last ?? periods,
        ...{ least: Math.min(3, periods), most: periods, unit: `${per}s` },
        shortcuts: [{ text: `all ${periods}`, value: undefined }],
      },
      ...(hasDays(calendar) && trend.form !== 'smoothed'
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

/** How the forecast is made, and its own words. */
function forecastPieces({ forecast, trend }: Method, calendar: Calendar): Piece[] {
  const way = forecastWayOf(forecast.by)
  return [
    {
      id: 'forecast',
      text: way.says.text,
      ask: {
        kind: 'pick',
        choices: FORECAST_WAYS.map(({ name, says }) => ({
          ...says,
          chosen: name === forecast.by,
          change: wayChange(name, trend, forecast.limits),
        })),
      },
    },
    ...way.words(forecast, { calendar, trend }),
  ]
}

/** Another way of forecasting, with what it could not do of the trend and the limits left behind. */
function wayChange(by: ForecastName, { form }: TrendOptions, limits: LimitKind): MethodChange {
  const way = forecastWayOf(by)
  const takesAnother = way.fitsTrend && form === 'smoothed'
  return {
    ...(takesAnother ? { trend: formChange('linear').trend } : {}),
    forecast: { by, ...(way.limits.includes(limits) ? {} : { limits: undefined }) },
  }
}

/** Years ahead that are often wanted. */
const YEARS_AHEAD = [1, 2, 3] as const

function horizonWord(horizon: number, calendar: Calendar): Word {
  return {
    id: 'horizon',
    text: countPeriods(horizon, calendar),
    ask: {
      kind: 'fields',
      fields: [
        {
          kind: 'number',
          label: 'project',
          path: ['forecast', 'horizon'],
          value: horizon,
          ...{ least: 1, most: LONGEST_HORIZON, unit: `${onePeriod(calendar)}s` },
          shortcuts: YEARS_AHEAD.map((years) => ({
            text: `${years} ${years === 1 ? 'year' : 'years'}`,
            value: years * calendar.seasons,
          })),
        },
      ],
      usual: { forecast: { horizon: undefined } },
    },
  }
}

/** Levels that are often wanted. */
const USUAL_LEVELS = [50, 80, 90, 95, 99] as const

function levelsWord(levels: readonly number[]): Word {
  return {
    id: 'levels',
    text: levelWords(levels),
    ask: {
      kind: 'fields',
      lead: 'Limits that hold the actual value in this share of cases:',
      fields: [
        {
          kind: 'several',
          label: 'limits',
          path: ['forecast', 'levels'],
          value: levels,
          offered: [...new Set([...USUAL_LEVELS, ...levels])].sort((a, b) => a - b),
          ...{ above: 0, below: 100, unit: '%' },
        },
      ],
      usual: { forecast: { levels: undefined } },
    },
  }
}

/** What limits are made of, in a word. */
export const LIMITS_SAY: Readonly<
  Record<LimitKind, { readonly text: string; readonly means: string }>
> = {
  model: {
    text: 'of the model',
    means: 'From the residuals of the fit, taken for independent and the form for true.',
  },
  'past-errors': {
    text: 'from past errors',
    means: 'As wide as earlier forecasts by this method were off, horizon by horizon.',
  },
}

function limitsWord({ by, limits }: Method['forecast']): Word {
  const choices = forecastWayOf(by).limits.map((kind) => ({
    ...LIMITS_SAY[kind],
    chosen: kind === limits,
    change: { forecast: { limits: kind } },
  }))
  return { id: 'limits', text: LIMITS_SAY[limits].text, ask: { kind: 'pick', choices } }
}

function exclusionPieces(method: Method): Piece[] {
  const count = exclusionsOf(method).length
  if (count === 0) return []
  const text = `${count} ${count === 1 ? 'value' : 'values'} left out`
  return [', ', { id: 'exclude', text, ask: { kind: 'own' } }]
}

const MISSING_MEANS: Record<MissingRule, string> = {
  leave: 'No average is taken over a gap, and nothing is invented.',
  interpolate: 'A straight line from the value before the gap to the one after it.',
  seasonal: 'A straight line through the deseasonalized series, the season put back.',
  zero: 'There was nothing in those periods; gaps at either end stay.',
}

/** Only a series with gaps has to be told what to do with them. */
function missingPieces({ missing }: Method, series: Series): Piece[] {
  if (missing === 'leave' && !adjustedValues(series).includes(null)) return []
  const choices = MISSING_RULES.map((rule) => ({
    text: missingWords(rule),
    means: MISSING_MEANS[rule],
    chosen: missing === rule,
    change: { missing: rule },
  }))
  const word: Word = {
    id: 'missing',
    text: missingWords(missing),
    ask: { kind: 'pick', choices },
  }
  return [', missing values ', word, ',']
}

export function missingWords(rule: MissingRule): string {
  return {
    leave: 'left missing',
    interpolate: 'interpolated',
    seasonal: 'interpolated with their season',
    zero: 'taken as zero',
  }[rule]
}

/** The forecast in a few words: `by regression, multiplicative, with every season against the average and no events`. */
export function forecastWords(method: Method, calendar: Calendar): string {
  return sentenceText(forecastPieces(method, calendar))
}

/** `80% and 95%` */
export function levelWords(levels: readonly number[]): string {
  if (levels.length === 0) return 'no'
  const words = levels.map((level) => `${level}%`)
  return words.length === 1 ? words[0]! : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`
}
