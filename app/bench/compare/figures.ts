import { formatDecimals } from '~/figures/format'
import type { DisplayScale } from '~/figures/displayScale'
import type { TermName } from '~~/core/glossary/glossary'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { commonAhead, forecastSum, leftoverSpread, robustLeftoverSpread } from './comparison'

/** A figure of every method, and which of them is best. */
export interface ComparedFigure {
  readonly name: string
  readonly term: TermName
  readonly best?: 'low' | 'high'
  value(result: Result): Value
  text(result: Result): string
}

/** The figures that methods are compared by, written on the scale of the series; those that none of them has are left out. */
export function comparedFigures(scale: DisplayScale, results: readonly Result[]): ComparedFigure[] {
  const amount = (value: Value) =>
    value === null ? '–' : formatDecimals(value / scale.divisor, scale.decimals)
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
    figure('R² of the trend, deseasonalized', 'rSquared', trendR2, 3, 'high'),
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
    figure('AICc of the smoothing', 'aic', smoothingAicc, 1, 'low'),
  ]
  return all.filter(({ value }) => results.some((one) => value(one) !== null))
}

/** Of a forecast by smoothing: what weights and forms are chosen by; of transformed values it compares with nothing. */
function smoothingAicc({ forecast }: Result): Value {
  return 'criteria' in forecast && !forecast.transform ? forecast.criteria.aicc : null
}

/** Of a least-squares trend; a smoothed one has none. */
function trendR2({ trendFit }: Result): Value {
  return trendFit.form === 'smoothed' ? null : trendFit.r2
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
