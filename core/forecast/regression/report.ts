import type { Period } from '../../calendar/period'
import type { Stretch } from '../../series/stretch'
import { designCalendar } from '../../regression/designCalendar'
import type { DesignFit } from '../../regression/fitDesign'
import type { RegressionReport, SeasonEffect, TermKind } from '../../regression/fullReport'
import { mostInfluential } from '../../regression/influence'
import { regressionFigures, termsOf, type Term } from '../../regression/report'
import { testResiduals } from '../../regression/residualTests'
import { segmentSlopesOf } from '../../trend/leastSquares/report'
import type { TrendOptions } from '../../trend/ways'
import { smearing } from '../backTransform'
import type { RegressionDesign } from './design'
import type { RegressionOptions } from './options'

/** What a report must be told beside the fit. */
export interface RegressionReported {
  readonly options: RegressionOptions
  readonly trend: TrendOptions
  readonly design: RegressionDesign
  readonly stretch: Stretch
  readonly start: Period
}

const MOST_INFLUENTIAL = 5

/** Coefficients, effects, tests of the residuals and the periods that sway a regression. */
export function reportRegression(fit: DesignFit, told: RegressionReported): RegressionReport {
  const { options, design, stretch, start } = told
  const { seasons } = stretch.calendar
  const ofLog = options.model === 'multiplicative'
  const { periodLabel } = designCalendar(stretch.calendar, start)
  const figures = regressionFigures(fit)
  return {
    ...figures,
    ofLog,
    from: fit.from,
    to: stretch.firstT + stretch.values.length - 1,
    kinds: [
      'constant',
      ...design.trend.map((): TermKind => 'trend'),
      ...design.season.map((): TermKind => 'season'),
      ...design.events.map((): TermKind => 'event'),
    ],
    seasonEffects: seasonEffectsOf(fit, design, told, figures.terms),
    segmentSlopes: segmentSlopesOf({ fit }, periodLabel),
    seasonSlopes: seasonSlopesOf(fit, design, told),
    smearing: ofLog ? smearing(fit.residuals) : null,
    residuals: fit.residualsInTime,
    fittedScale: fit.fittedInTime,
    tests: testResiduals(fit.residualsInTime, seasons, fit.n - fit.df),
    influence: mostInfluential(fit, MOST_INFLUENTIAL),
  }
}

/**
 * Every season against the average one, as of the last year where slopes differ.
 *
 * @param terms of the same fit: what is a coefficient already is not worked out again
 */
export function seasonEffectsOf(
  fit: DesignFit,
  { season, trend, centredSeason }: RegressionDesign,
  { stretch, start }: Pick<RegressionReported, 'stretch' | 'start'>,
  terms: readonly Term[],
  confidence?: number,
): SeasonEffect[] {
  if (season.length === 0) return []
  const { seasons, seasonOf, seasonLabel } = designCalendar(stretch.calendar, start)
  const term = termsOf(fit, confidence)
  const lastT = stretch.firstT + stretch.values.length - 1
  const lastYear = Array.from({ length: seasons }, (_, i) => lastT - i)
  return lastYear
    .map((t): SeasonEffect => {
      const own = seasonOf(t)
      const weights = Array<number>(fit.p).fill(0)
      const centred = centredSeason(t)
      centred.forEach((weight, j) => (weights[1 + trend.length + j] = weight))
      const [only, ...others] = centred.flatMap((weight, j) => (weight === 0 ? [] : [j]))
      if (only !== undefined && others.length === 0 && centred[only] === 1) {
        return { season: own, ...terms[1 + trend.length + only]!, name: `season ${own}` }
      }
      return { season: own, ...term(`season ${own}`, seasonLabel(own), weights) }
    })
    .sort((a, b) => a.season - b.season)
}

/** The slope of the trend in every season, where each has its own. */
export function seasonSlopesOf(
  fit: DesignFit,
  { trend, season }: RegressionDesign,
  { options, stretch, start }: Pick<RegressionReported, 'options' | 'stretch' | 'start'>,
  confidence?: number,
): Term[] {
  if (options.season !== 'dummies-by-trend') return []
  const { seasons, seasonLabel } = designCalendar(stretch.calendar, start)
  const term = termsOf(fit, confidence)
  const slope = trend.findIndex(({ power }) => power?.degree === 1) + 1
  const others = Array.from({ length: seasons }, (_, k) => k + 1).filter((k) => k !== options.base)
  return Array.from({ length: seasons }, (_, k) => {
    const own = k + 1
    const weights = Array<number>(fit.p).fill(0)
    weights[slope] = 1
    // The dummies come first, then as many slopes in the same order.
    const at = others.indexOf(own)
    if (at >= 0) weights[1 + trend.length + season.length / 2 + at] = 1
    return term(`season ${own}`, seasonLabel(own), weights)
  })
}
