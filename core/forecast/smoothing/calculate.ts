import { smoothingFigures, type SmoothingFigures } from '../../exponential/figures'
import { initialByRule } from '../../exponential/initial'
import {
  carriedOver,
  formulaLimits,
  hasFormula,
  simulatedLimits,
  varianceFactors,
} from '../../exponential/limits'
import { projected, smoothed, type Smoothed } from '../../exponential/recursion'
import { weightSections } from '../../exponential/sections'
import { chooseSmoothing, type ChosenSmoothing } from '../../exponential/search'
import { requireAdmissible, selectForm, type Contender } from '../../exponential/selection'
import { Refusal } from '../../refusal'
import type { Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import { normalQuantile } from '../../statistics/distributions'
import { seededUniform } from '../../statistics/random'
import { requireNumbers } from '../beyondNumbers'
import type { Limits } from '../limits'
import type { CommonAhead, ForecastBasis, Forecasted } from '../way'
import { formsOf, type SmoothingOptions } from './options'

/** A forecast that follows the latest level, trend and season. */
export interface SmoothingForecast extends CommonAhead, SmoothingFigures {
  readonly by: 'smoothing'
  readonly deseasonalized: readonly number[]
  /** States at the end of every period analysed. */
  readonly states: Pick<Smoothed, 'level' | 'trend' | 'season'>
  /** Variance ahead as a multiple of σ²; null where it has no formula and is simulated. */
  readonly factors: readonly number[] | null
  readonly interval: {
    readonly df: number
    /** σ, of errors or of relative ones. */
    readonly s: Value
    /** z, keyed by level. */
    readonly quantiles: Readonly<Record<string, number>>
  }
}

/**
 * Forecast by exponential smoothing of the values themselves.
 *
 * @throws Refusal for what the form cannot be applied to, with the first such period
 */
export function forecastBySmoothing(
  { stretch, lastT }: Pick<ForecastBasis, 'stretch' | 'lastT'>,
  options: SmoothingOptions,
): Forecasted<SmoothingForecast> {
  const { values, calendar } = stretch
  const { seasons } = calendar
  const { horizon, levels } = options
  const { chosen, table } = choose(stretch, options)
  const { form, weights, initial, sigma2 } = chosen
  const rows = smoothed(values, form, weights, initial)
  const phi = weights.phi ?? 1
  const forecast = projected(form, rows.end, phi, horizon)
  requireNumbers(forecast)
  const missingAtEnd = values.length - 1 - values.findLastIndex((value) => value !== null)
  const factors = hasFormula(form)
    ? varianceFactors(
        carriedOver(form, weights, seasons, horizon + missingAtEnd - 1),
        missingAtEnd,
        horizon,
      )
    : null
  const { level, trend, season } = rows
  const figures = smoothingFigures(chosen, rows.end, options.weights, table)
  return {
    ahead: {
      by: 'smoothing',
      t: forecast.map((_, i) => lastT + 1 + i),
      forecast,
      deseasonalized: projected({ ...form, season: 'none' }, rows.end, phi, horizon),
      ...figures,
      states: { level, trend, season },
      factors,
      limits: limitsOf(),
      interval: {
        df: chosen.observed - chosen.k + 1,
        s: figures.sigma,
        quantiles: Object.fromEntries(levels.map((one) => [one, normalQuantile(one)])),
      },
    },
    fitted: rows.fitted,
    estimated: chosen.k,
    inProportion: form.season === 'multiplicative' || form.error === 'proportional',
    report: () => null,
    sections: () => weightSections(values, seasons, withEveryWeightFree()),
  }

  /** What would be chosen if no weight of the form were fixed. */
  function withEveryWeightFree(): ChosenSmoothing {
    if (Object.keys(options.weights).length === 0) return chosen
    return choose(stretch, { ...options, ...form, weights: {} }).chosen
  }

  function limitsOf(): Record<string, Limits> {
    if (factors) {
      return Object.fromEntries(
        levels.map((one) => [one, formulaLimits(forecast, factors, sigma2, one)]),
      )
    }
    const nothing = forecast.map(() => null)
    if (sigma2 === null || levels.length === 0) {
      return Object.fromEntries(levels.map((one) => [one, { lower: nothing, upper: nothing }]))
    }
    const isRelative = form.error === 'proportional'
    const residuals = rows.residual.flatMap((e, t) =>
      e === null ? [] : [isRelative ? e / rows.fitted[t]! : e],
    )
    const known = values.slice(0, values.length - missingAtEnd)
    return simulatedLimits(
      form,
      weights,
      smoothed(known, form, weights, initial).end,
      options.resample ? { residuals } : { sigma: Math.sqrt(sigma2) },
      { missingAtEnd, horizon, levels },
      seededUniform(options.seed),
    )
  }
}

/** Weights, initial states and, where it is asked for, the form. */
function choose(
  stretch: Stretch,
  options: SmoothingOptions,
): { chosen: ChosenSmoothing; table: readonly Contender[] | null } {
  const { values, calendar, seasonOf } = stretch
  const { seasons } = calendar
  const { weights, initial } = options
  const forms = formsOf(options, seasons)
  const nameOf = (i: number) => stretch.periodOf(i).label
  const [form] = forms
  if (forms.length === 1 && form) {
    requireAdmissible(values, form, nameOf)
    const rule = initialByRule(values, form, seasonOf[0]!, seasons)
    const wished = { weights, initial: initial === 'rule' ? rule.states : initial }
    return { chosen: chooseSmoothing(values, form, seasons, rule, wished), table: null }
  }
  const { winner, table } = selectForm(values, seasonOf[0]!, seasons, forms, {
    weights,
    initial: initial === 'rule' ? 'rule' : 'chosen',
    nameOf,
  })
  if (!winner) {
    throw new Refusal(
      `None of the ${forms.length} forms can be fitted to ${values.length} periods. ${reasonOf(table)}`,
      'forecast.trend',
    )
  }
  return { chosen: winner, table }
}

function reasonOf([first]: readonly Contender[]): string {
  return first && 'because' in first ? first.because : ''
}
