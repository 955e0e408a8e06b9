import { formatChange, formatDecimals } from '~/figures/format'
import type { DisplayScale } from '~~/core/words/displayScale'
import type { TermName } from '~~/core/glossary/glossary'
import type { Criterion } from '~~/core/forecast/way'
import { forecastWayOf } from '~~/core/forecast/ways'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { usesTrend } from '~~/core/sentence/sentence'
import { trendWayOf } from '~~/core/trend/ways'
import { commonAhead, forecastSum, leftoverSpread, robustLeftoverSpread } from '../pins/comparison'

/** A figure of every method, and which of them is best. */
export interface ComparedFigure {
  readonly name: string
  readonly term?: TermName
  readonly best?: 'low' | 'high'
  value(result: Result): Value
  text(result: Result): string
}

/** The figures that methods are compared by, written on the scale of the series; those that none of them has are left out. */
export function comparedFigures(scale: DisplayScale, results: readonly Result[]): ComparedFigure[] {
  const amount = (value: Value) => (value === null ? '–' : comparedAmount(value, scale))
  const figure = (
    name: string,
    term: TermName,
    value: (result: Result) => Value,
    decimals: number | 'amount',
    best?: 'low' | 'high',
  ): ComparedFigure => ({
    ...{ name, term, best, value },
    text: (result) => {
      const own = value(result)
      if (decimals === 'amount') return amount(own)
      return own === null ? '–' : formatDecimals(own, decimals)
    },
  })
  const levels = [...new Set(results.flatMap(({ method }) => method.forecast.levels))].sort(
    (a, b) => a - b,
  )
  const common = commonAhead(results)
  const isAll =
    common !== null &&
    results.every(({ forecast: { t } }) => t[0] === common.from && t.at(-1) === common.to)
  const periods = isAll ? 'all periods' : 'the periods that all have,'
  const all = [
    figure('leftover, standard deviation', 'spread', leftoverSpread, 'amount', 'low'),
    figure('leftover, robust spread', 'robustSpread', robustLeftoverSpread, 'amount', 'low'),
    figure('its autocorrelation at lag 1', 'autocorrelation', firstAutocorrelation, 2),
    figure('strength of season', 'strength', (one) => strengthOf(one).season, 3, 'high'),
    figure('strength of trend', 'strength', (one) => strengthOf(one).trend, 3, 'high'),
    figure('R² of the trend, without the season', 'rSquared', trendR2, 3, 'high'),
    figure('mean absolute error, fitted', 'mae', (one) => one.accuracy.fitted.mae, 'amount', 'low'),
    figure(
      `forecast, ${periods} together`,
      'forecast',
      (one) => common && forecastSum(one, common),
      'amount',
    ),
    ...levels.map((level) =>
      figure(
        `width of the ${level}% limits, on average`,
        'limits',
        (one) => meanWidth(one, level),
        'amount',
      ),
    ),
    ...criteriaOf(results).map((of) =>
      figure(`AICc of ${of}`, 'aic', (one) => aiccOf(one, of), 1, 'low'),
    ),
    ...effectsOf(results, scale),
  ]
  return all.filter(({ value }) => results.some((one) => value(one) !== null))
}

/** Whether every method reads the same in a row, so that it says nothing of what differs. */
export function readsTheSame({ text }: ComparedFigure, results: readonly Result[]): boolean {
  return results.length > 1 && new Set(results.map(text)).size === 1
}

/** Significant digits of an amount at the least: what methods leave is often a hundredth of the values. */
const DIGITS = 3

/** An amount on the scale of the series with three digits at the least: 0.4312 thousand litres is 0.431, not 0.4. */
export function comparedAmount(value: number, { divisor, decimals }: DisplayScale): string {
  const shown = value / divisor
  const needed = shown === 0 ? 0 : DIGITS - 1 - Math.floor(Math.log10(Math.abs(shown)))
  return formatDecimals(shown, Math.min(12, Math.max(decimals, needed)))
}

/** What each event adds to the sales, of the regressions that have it: an amount, or of logarithms a share. */
function effectsOf(results: readonly Result[], scale: DisplayScale): ComparedFigure[] {
  const events = results.map(eventTerms)
  const labels = [...new Set(events.flatMap((own) => [...own.keys()]))]
  return labels.map((label) => {
    const value = (result: Result) => eventTerms(result).get(label) ?? null
    return {
      name: `effect of ${label}`,
      value,
      text: (result) => {
        const own = value(result)
        if (own === null) return '–'
        if (result.regression!.ofLog) return formatChange(100 * Math.expm1(own))
        return `${own > 0 ? '+' : ''}${comparedAmount(own, scale)}`
      },
    }
  })
}

function eventTerms({ method, regression: report }: Result): ReadonlyMap<string, number> {
  return forecastWayOf(method.forecast.by).events?.(report) ?? new Map()
}

/** What the methods have a criterion of, each thing once: figures of different things stand in rows of their own. */
function criteriaOf(results: readonly Result[]): readonly string[] {
  return [...new Set(results.flatMap((one) => criterionOf(one)?.of ?? []))]
}

function criterionOf({ forecast, method }: Result): Criterion | null {
  return forecastWayOf(method.forecast.by).criterion?.(forecast) ?? null
}

function aiccOf(result: Result, of: string): Value {
  const criterion = criterionOf(result)
  return criterion?.of === of ? criterion.aicc : null
}

/** Of a least-squares trend that the forecast makes something of; a smoothed one has none. */
function trendR2({ trendFit, method }: Result): Value {
  return usesTrend(method) ? trendWayOf(trendFit.form).r2(trendFit) : null
}

function firstAutocorrelation({ leftover }: Result): Value {
  return leftover.autocorrelation?.[0] ?? null
}

function strengthOf({ strength }: Result) {
  return strength.withoutDistrusted ?? strength
}

/** Mean distance of the limits of a level; undefined without them. */
function meanWidth({ forecast }: Result, level: number): Value {
  const limits = forecast.limits[level]
  if (!limits) return null
  const widths = limits.upper.map((upper, i) => {
    const lower = limits.lower[i]
    return upper === null || lower === null || lower === undefined ? null : upper - lower
  })
  if (widths.length === 0 || widths.includes(null)) return null
  return widths.reduce<number>((sum, width) => sum + width!, 0) / widths.length
}

/** The methods whose figure is the best of the row; where all read the same, none stands out. */
export function bestOf(
  { best, value, text }: ComparedFigure,
  results: readonly Result[],
): ReadonlySet<Result> {
  const ranked = results
    .filter((one) => value(one) !== null)
    .sort((a, b) => (best === 'low' ? 1 : -1) * (value(a)! - value(b)!))
  if (best === undefined || ranked.length < 2) return new Set()
  // What reads the same is as good.
  const top = ranked.filter((one) => text(one) === text(ranked[0]!))
  return new Set(top.length === ranked.length ? [] : top)
}
