import { z } from 'zod'
import { MODELS, type Model } from '../../model'
import { Refusal, refusedUnder } from '../../refusal'
import {
  completeEvents,
  eventsDocument,
  eventsWithin,
  type Events,
} from '../../regression/regressors/eventOptions'
import { SEASON_FORMS, type SeasonForm } from '../../regression/regressors/seasonForms'
import { FITTED_FORMS } from '../../trend/leastSquares/forms'
import type { TrainingSpan } from '../../trend/commonOptions'
import { requireFitted } from '../../trend/options'
import {
  backTransformOption,
  commonForecast,
  completeCommon,
  type BackTransform,
  type CommonForecast,
  type ForecastFacts,
} from '../commonOptions'

/** Forecast by a regression of trend plus season, as a person or a script writes it. */
export const regressionDocument = z.strictObject({
  by: z.literal('regression'),
  ...commonForecast,
  season: z.enum(SEASON_FORMS).optional(),
  base: z.int().min(1).optional(),
  pairs: z.int().min(1).optional(),
  model: z.enum(MODELS).optional(),
  ...eventsDocument,
  backTransform: backTransformOption,
})
export type RegressionDocument = z.infer<typeof regressionDocument>

/** The same, complete. */
export interface RegressionOptions extends CommonForecast, Events {
  readonly by: 'regression'
  /** Multiplicative is additive on ln y. */
  readonly model: Model
  readonly season: SeasonForm['form']
  /** Of dummies alone: the season that the others are compared with. */
  readonly base?: number
  /** Of waves alone: how many, from that of one year on. */
  readonly pairs?: number
  /** Of a multiplicative model alone, whose forecast comes back from logarithms. */
  readonly backTransform?: BackTransform
}

const USUAL_PAIRS = 3

/**
 * Fills in the defaults: the model of the decomposition (with an exponential trend multiplicative), a season as
 * effects, no events; of dummies the first season as base, of waves three pairs, back from logarithms the median.
 *
 * @throws Refusal for what contradicts itself or would do nothing, with its path
 */
export function completeRegression(
  document: RegressionDocument,
  facts: ForecastFacts,
): RegressionOptions {
  const { by, base, pairs, backTransform, indicators = [], steps = [], ...rest } = document
  const { calendar } = facts
  const trend = requireFitted(facts.trend)
  const { seasons } = calendar
  const form = FITTED_FORMS[trend.form]
  const model = rest.model ?? (form.ofLog ? 'multiplicative' : facts.model)
  if (form.ofLog && model === 'additive') {
    throw new Refusal(
      'An exponential trend is fitted to logarithms, so a season with it is multiplicative. Take the multiplicative model, or a straight line.',
      'forecast.model',
    )
  }
  const season = rest.season ?? (seasons < 2 ? 'none' : 'effects')
  if (season !== 'none' && seasons < 2) {
    throw new Refusal('A yearly series has no season for a regression to find.', 'forecast.season')
  }
  const hasBase = season === 'dummies' || season === 'dummies-by-trend'
  if (season === 'dummies-by-trend' && (form.degree !== 1 || form.bends)) {
    throw new Refusal(
      `Slopes by season need a trend that is one straight line; this one is ${form.says}.`,
      'forecast.season',
    )
  }
  refuseIdle(!hasBase, base, 'base', 'a season as dummies', season)
  refuseIdle(season !== 'fourier', pairs, 'pairs', 'a season as waves', season)
  refuseIdle(
    model === 'additive',
    backTransform,
    'backTransform',
    'a multiplicative regression',
    model,
  )
  if (base !== undefined && base > seasons) {
    throw new Refusal(`Season ${base}: a year has ${seasons}.`, 'forecast.base')
  }
  const mostPairs = Math.floor(seasons / 2)
  if (pairs !== undefined && pairs > mostPairs) {
    throw new Refusal(
      `${pairs} pairs: with ${seasons} seasons there are ${mostPairs} at the most.`,
      'forecast.pairs',
    )
  }
  return {
    by,
    ...completeCommon(rest, facts),
    model,
    season,
    ...(hasBase ? { base: base ?? 1 } : {}),
    ...(season === 'fourier' ? { pairs: pairs ?? Math.min(USUAL_PAIRS, mostPairs) } : {}),
    ...refusedUnder('forecast', () =>
      completeEvents({ indicators, steps }, { ...facts, firstT: fittedFrom(facts) }),
    ),
    ...(model === 'multiplicative' ? { backTransform: backTransform ?? 'median' } : {}),
  }
}

function refuseIdle(isIdle: boolean, value: unknown, key: string, home: string, own: string): void {
  if (!isIdle || value === undefined) return
  throw new Refusal(
    `${key} belongs to ${home}; this one is ${own}. Take it out.`,
    `forecast.${key}`,
  )
}

/** The same regression of a shorter span: events that lie outside it, or that nothing follows, are left behind. */
export function regressionWithin(
  document: RegressionDocument,
  span: TrainingSpan,
): RegressionDocument {
  return { ...document, ...eventsWithin(document, span) }
}

/** Time code of the first period that the regression is fitted to. */
function fittedFrom({ firstT, lastT, trend }: ForecastFacts): number {
  return Math.max(firstT, lastT - (trend.last ?? Infinity) + 1)
}

/** The form of the season as a design takes it. */
export function seasonFormOf({ season, base, pairs }: RegressionOptions): SeasonForm {
  switch (season) {
    case 'dummies':
    case 'dummies-by-trend':
      return { form: season, base: base ?? 1 }
    case 'fourier':
      return { form: season, pairs: pairs ?? 1 }
    default:
      return { form: season }
  }
}
