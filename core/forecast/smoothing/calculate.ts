import { smoothingFigures, type SmoothingFigures } from '../../stateSpace/figures'
import { initialByRule } from '../../stateSpace/initial'
import {
  carriedOver,
  formulaLimits,
  hasFormula,
  limitsOfPaths,
  PATHS,
  simulatedPaths,
  varianceFactors,
} from '../../stateSpace/limits'
import { projected, smoothed, type Smoothed } from '../../stateSpace/recursion'
import { weightSections, type WeightSection } from '../../stateSpace/sections'
import { chooseSmoothing, type ChosenSmoothing } from '../../stateSpace/search'
import { requireAdmissible, selectForm, type Contender } from '../../stateSpace/selection'
import { Refusal, refusedUnder } from '../../refusal'
import { SEARCH_A_PERIOD, type Extent } from '../../work/extent'
import { requireBounded } from '../../work/requireBounded'
import type { Hear, Tried } from '../../work/steps'
import { formWords } from './words'
import type { Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import { normalQuantile } from '../../statistics/distributions'
import { standardDeviation } from '../../statistics/spread'
import { figure } from '../../words/figure'
import { backFrom, meanOverMedian, transformed } from '../../transform/boxCox'
import { limitOf, noWayBack, requireNumbers } from '../beyondNumbers'
import type { Level } from '../level'
import type { Limits } from '../limits'
import type { CommonAhead, ForecastBasis, Forecasted } from '../way'
import { formsOf, type SmoothingOptions } from './options'
import { transformOf, type Transform } from '../powerScale'

/** Values, one-step forecasts and forecasts on the scale of a power. */
export interface ScaledSmoothing {
  readonly values: readonly Value[]
  readonly fitted: readonly number[]
  readonly forecast: readonly number[]
  /** Mean ÷ median of each forecast; null where the point is the median. */
  readonly meanOver: readonly number[] | null
}

/** A forecast that follows the latest level, trend and season. */
export interface SmoothingForecast extends CommonAhead, SmoothingFigures {
  readonly by: 'smoothing'
  readonly deseasonalized: readonly Value[]
  /** States at the end of every period analysed. */
  readonly states: Pick<Smoothed, 'level' | 'trend' | 'season'>
  /** Variance ahead as a multiple of σ²; null where it has no formula and is simulated. */
  readonly factors: readonly number[] | null
  /** Share of the simulated paths that have ended by each period, where any have. */
  readonly pathsEnded?: readonly number[]
  /** The scale that is smoothed on; null for the values as they are. */
  readonly transform: Transform | null
  /** What stands on that scale; null likewise. */
  readonly scaled: ScaledSmoothing | null
  readonly interval: {
    readonly df: number
    /** σ, of errors or of relative ones. */
    readonly s: Value
    /** z, keyed by level. */
    readonly quantiles: Readonly<Record<string, number>>
  }
}

/**
 * Forecast by exponential smoothing of the values themselves, or of a power of them.
 *
 * On the scale of a power everything is as it is for plain values; forecasts, limits and fitted values come back from it.
 *
 * @throws Refusal for what the form or the power cannot be applied to, with the first such period, and for a forecast that
 *   cannot come back
 */
export function forecastBySmoothing(
  { stretch, lastT, hear }: Pick<ForecastBasis, 'stretch' | 'lastT' | 'hear'>,
  options: SmoothingOptions,
): Forecasted<SmoothingForecast> {
  const { seasons } = stretch.calendar
  const { horizon, levels, backTransform } = options
  const nameOf = (i: number) => stretch.periodOf(i).label
  const transform = transformOf(options.transform, stretch.values, seasons, nameOf)
  const values = transform
    ? stretch.values.map((value) => (value === null ? null : transformed(value, transform.lambda)))
    : stretch.values
  const back = (z: number): Value => (transform ? backFrom(z, transform.lambda) : limitOf(z))
  const { chosen, table } = refusedUnder('forecast', () => choose(stretch, values, options, hear))
  const { form, weights, initial } = chosen
  const rows = smoothed(values, form, weights, initial)
  const phi = weights.phi ?? 1
  const ahead = projected(form, rows.end, phi, horizon)
  const meanFor = transform && backTransform === 'mean' ? transform : null
  const spread = spreadAhead(values, chosen, rows, ahead, options, meanFor !== null)
  const meanOver = meanFor
    ? ahead.map((z, i) => meanOverMedian(z, meanFor.lambda, spread.standardErrors?.[i] ?? 0))
    : null
  const noMean = meanOver?.findIndex((factor) => !(factor > 0)) ?? -1
  if (noMean >= 0) {
    throw new Refusal(
      `In ${nameOf(values.length + noMean)} the mean cannot be told from the median: the limits are so wide that its correction is ${figure(meanOver![noMean]!)}, and must be above 0. Take the median.`,
      'forecast.backTransform',
    )
  }
  const forecast = ahead.map((z, i) => {
    const median = back(z)
    if (median === null && transform) {
      throw new Refusal(
        `The forecast of ${nameOf(values.length + i)} cannot come back. ${noWayBack(transform.lambda)} Take the logarithm, or a shorter horizon.`,
        'forecast.transform',
      )
    }
    return (median ?? Infinity) * (meanOver?.[i] ?? 1)
  })
  requireNumbers(forecast)
  const { level, trend, season } = rows
  const figures = smoothingFigures(chosen, rows.end, options.weights, table)
  const isPower = transform !== null && transform.lambda !== 1
  return {
    ahead: {
      by: 'smoothing',
      t: forecast.map((_, i) => lastT + 1 + i),
      forecast,
      deseasonalized: projected({ ...form, season: 'none' }, rows.end, phi, horizon).map(back),
      ...figures,
      states: { level, trend, season },
      factors: spread.factors,
      ...(spread.ended?.some((share) => share > 0) ? { pathsEnded: spread.ended } : {}),
      transform,
      scaled: transform && { values, fitted: rows.fitted, forecast: ahead, meanOver },
      limits: Object.fromEntries(
        levels.map((one): [string, Limits] => {
          const { lower, upper } = spread.limits[one]!
          const comeBack = (side: readonly Value[]) =>
            side.map((z) => (z === null ? null : back(z)))
          return [String(one), { lower: comeBack(lower), upper: comeBack(upper) }]
        }),
      ),
      interval: {
        df: chosen.observed - chosen.k + 1,
        s: figures.sigma,
        quantiles: Object.fromEntries(levels.map((one) => [one, normalQuantile(one)])),
      },
    },
    fitted: rows.fitted.map(back),
    level: levelOf(form, forecast, back(rows.end.level)),
    estimated: chosen.k + (transform?.chosen ? 1 : 0),
    inProportion: isPower || form.season === 'multiplicative' || form.error === 'proportional',
    report: () => null,
    sections,
  }

  /** Of a weight that is chosen given those that are fixed; of one that is fixed as if none were, since there its best place is seen. */
  function sections(): WeightSection[] {
    const given = weightSections(values, seasons, chosen, horizon)
    if (Object.keys(options.weights).length === 0) return given
    const free = weightSections(values, seasons, withEveryWeightFree(), horizon)
    return given.map((one, i) => (options.weights[one.name] === undefined ? one : free[i]!))
  }

  /** What would be chosen if no weight of the form were fixed. */
  function withEveryWeightFree(): ChosenSmoothing {
    if (Object.keys(options.weights).length === 0) return chosen
    return choose(stretch, values, { ...options, ...form, weights: {} }).chosen
  }
}

/** Without a season the forecast is its own level; with one, states move together, and the season cannot be told apart. */
function levelOf(
  { season }: ChosenSmoothing['form'],
  forecast: readonly number[],
  atOrigin: Value,
): Level | null {
  return season !== 'none' || atOrigin === null
    ? null
    : { values: forecast, atOrigin, season: null }
}

/** How far off a forecast may be, on the scale that is smoothed on. */
interface SpreadAhead {
  /** Variance as a multiple of σ²; null where it has no formula. */
  readonly factors: readonly number[] | null
  readonly limits: Readonly<Record<string, Limits>>
  /** Of each forecast, where it is asked for; undefined without values to spare. */
  readonly standardErrors: readonly number[] | null
  /** Share of the simulated paths that have ended by each period. */
  readonly ended?: readonly number[]
}

/** Limits, and standard errors where a mean needs them: by formula where there is one, else from simulated paths. */
function spreadAhead(
  values: readonly Value[],
  { form, weights, initial, sigma2 }: ChosenSmoothing,
  rows: Smoothed,
  ahead: readonly number[],
  { levels, resample, seed }: SmoothingOptions,
  needsErrors: boolean,
): SpreadAhead {
  const horizon = ahead.length
  const seasons = Math.max(1, initial.season?.length ?? 1)
  const missingAtEnd = values.length - 1 - values.findLastIndex((value) => value !== null)
  if (hasFormula(form)) {
    const carried = carriedOver(form, weights, seasons, horizon + missingAtEnd - 1)
    const factors = varianceFactors(carried, missingAtEnd, horizon)
    return {
      factors,
      limits: Object.fromEntries(
        levels.map((one) => [one, formulaLimits(ahead, factors, sigma2, one)]),
      ),
      standardErrors: sigma2 === null ? null : factors.map((factor) => Math.sqrt(sigma2 * factor)),
    }
  }
  const nothing = ahead.map(() => null)
  if (sigma2 === null || (levels.length === 0 && !needsErrors)) {
    return {
      factors: null,
      limits: Object.fromEntries(levels.map((one) => [one, { lower: nothing, upper: nothing }])),
      standardErrors: null,
    }
  }
  const isRelative = form.error === 'proportional'
  const residuals = rows.residual.flatMap((e, t) =>
    e === null ? [] : [isRelative ? e / rows.fitted[t]! : e],
  )
  const known = values.slice(0, values.length - missingAtEnd)
  const paths = simulatedPaths(
    form,
    weights,
    smoothed(known, form, weights, initial).end,
    resample ? { residuals } : { sigma: Math.sqrt(sigma2) },
    { missingAtEnd, horizon },
    seed,
  )
  return {
    factors: null,
    limits: limitsOfPaths(paths, levels),
    standardErrors: needsErrors
      ? paths.values.map((one) => standardDeviation(one.filter(Number.isFinite)) ?? 0)
      : null,
    ended: paths.ended.map((count) => count / PATHS),
  }
}

/** About how many multiplications the searches of all forms take, and the first states of each. */
export function stepsOfSmoothing(options: SmoothingOptions, { periods, seasons }: Extent): number {
  const searches = formsOf(options, seasons).reduce(
    (sum, { season }) => sum + SEARCH_A_PERIOD[season === 'none' ? 'noSeason' : 'season'],
    0,
  )
  return (searches + (seasons + 2) ** 2) * periods
}

/** Weights, initial states and, where it is asked for, the form. */
function choose(
  stretch: Stretch,
  values: readonly Value[],
  options: SmoothingOptions,
  hear?: Hear,
): { chosen: ChosenSmoothing; table: readonly Contender[] | null } {
  const { calendar, seasonOf } = stretch
  const { seasons } = calendar
  const { weights, initial, horizon, nearWeights: near } = options
  const forms = formsOf(options, seasons)
  const nameOf = (i: number) => stretch.periodOf(i).label
  requireBounded(
    stepsOfSmoothing(options, { periods: values.length, seasons }),
    `Smoothing ${values.length} periods of ${seasons} seasons in ${forms.length} ${forms.length === 1 ? 'form' : 'forms'}`,
    'Take a shorter span, or name the form',
    'by',
  )
  const [form] = forms
  if (forms.length === 1 && form) {
    requireAdmissible(values, form, nameOf)
    const rule = initialByRule(values, form, seasonOf[0]!, seasons)
    const wished = { weights, initial: initial === 'rule' ? rule.states : initial, near }
    const reach = { horizon, nameOf }
    return { chosen: chooseSmoothing(values, form, seasons, rule, wished, reach), table: null }
  }
  const { winner, table } = selectForm(values, seasonOf[0]!, seasons, forms, {
    weights,
    initial: initial === 'rule' ? 'rule' : 'chosen',
    ...{ horizon, nameOf },
    hear: ({ table, of }) =>
      hear?.({ done: table.length, of, words: 'forms tried', tried: table.map(formTried) }),
  })
  if (!winner) {
    throw new Refusal(
      `None of the ${forms.length} forms can be fitted to ${values.length} periods. ${reasonOf(table)}`,
      'trend',
    )
  }
  return { chosen: winner, table }
}

/** A form of a selection that is under way, by its name. */
function formTried(one: Contender): Tried {
  const isChosen = 'chosen' in one
  return {
    name: formWords(one.form),
    numbers: one.k,
    aicc: isChosen ? one.chosen.aicc : null,
    because: isChosen ? null : one.because,
  }
}

function reasonOf([first]: readonly Contender[]): string {
  return first && 'because' in first ? first.because : ''
}
