import { z } from 'zod'
import { Refusal } from '../../core/refusal'
import { calcAccuracy, calcRolling } from './accuracy'
import { answer } from './answer'
import {
  arimaKind,
  calcArimaBoxCox,
  calcArimaForecast,
  calcArimaOptimum,
  calcAuto,
  calcDifferences,
  calcLogLikelihood,
} from './arima'
import {
  calcEasterDates,
  calcEasterMeans,
  calcEasterRegressors,
  calcEstimate,
  calcHoliday,
  calcRegressors,
} from './calendar'
import { calcClassical } from './classical'
import { calcForecast } from './forecast'
import { calcGrowth } from './growth'
import {
  calcAdjust,
  calcExtremes,
  calcMovingRatio,
  calcRevisions,
  calcSeasonal,
  calcTrend,
  calcWeights,
} from './iterated'
import { calcMovingAverage } from './movingAverage'
import { calcPeakSpacing, calcWhichModel } from './seasonality'
import { calcAutocorrelation, calcDetrend, calcTest } from './stationarity'
import { calcPredict, calcRegression } from './regression'
import { calcInitial, calcLikelihood, calcLimits, calcRecursion } from './smoothing'
import { calcBounds, calcOptimum, calcSelection } from './smoothingSearch'
import { calcLoess, calcStl } from './stl'

type Calculate = (input: unknown) => unknown

/** What each topic can calculate, by the `kind` of an input (in the topic of loess, its `method`). */
const TOPICS: Record<string, Record<string, Calculate>> = {
  classical: {
    'moving-average': calcMovingAverage,
    classical: calcClassical,
    forecast: calcForecast,
    growth: calcGrowth,
    'which-model': calcWhichModel,
    'peak-spacing': calcPeakSpacing,
  },
  regression: {
    regression: calcRegression,
    predict: calcPredict,
    detrend: calcDetrend,
    accuracy: calcAccuracy,
    'rolling-origin': calcRolling,
    acf: calcAutocorrelation,
    test: calcTest,
  },
  smoothing: {
    recursion: calcRecursion,
    initial: calcInitial,
    likelihood: calcLikelihood,
    limits: calcLimits,
    optimum: calcOptimum,
    bounds: calcBounds,
    selection: calcSelection,
  },
  stl: { loess: calcLoess, stl: calcStl },
  calendar: {
    regressors: calcRegressors,
    'easter-dates': calcEasterDates,
    'easter-means': calcEasterMeans,
    'easter-regressors': calcEasterRegressors,
    holiday: calcHoliday,
    estimate: calcEstimate,
  },
  iterated: {
    adjust: calcAdjust,
    weights: calcWeights,
    extremes: calcExtremes,
    seasonal: calcSeasonal,
    trend: calcTrend,
    msr: calcMovingRatio,
    revisions: calcRevisions,
  },
  arima: {
    loglik: calcLogLikelihood,
    optimum: calcArimaOptimum,
    forecast: calcArimaForecast,
    boxcox: calcArimaBoxCox,
    differences: calcDifferences,
    auto: calcAuto,
  },
}

/** The kind of an input that does not say it, of the topics whose keys tell. */
const BY_KEYS: Readonly<Record<string, (input: unknown) => string>> = { arima: arimaKind }

const kinds = z
  .object({ kind: z.string().optional(), method: z.string().optional() })
  .transform(({ kind, method }) => ({ kind: kind ?? method }))

/**
 * Answers the inputs of a topic in their order. What a topic or version cannot do is a refusal in
 * the place of that answer, so that one unknown input does not spoil the others.
 *
 * @throws Refusal for a topic that does not exist
 */
export function calculateAll(topic: string, inputs: readonly unknown[]): unknown[] {
  const kindsOfTopic = TOPICS[topic]
  if (!kindsOfTopic) {
    throw new Refusal(
      `There is no topic "${topic}" in this version; there is ${Object.keys(TOPICS).join(', ')}.`,
      'TOPIC',
    )
  }
  return inputs.map((input) =>
    answer(() => {
      const read = kinds.safeParse(input)
      const kind = (read.success ? read.data.kind : undefined) ?? BY_KEYS[topic]?.(input)
      const calculate = kind === undefined ? undefined : kindsOfTopic[kind]
      if (!calculate) {
        const which = kind === undefined ? 'without a kind' : `"${kind}"`
        throw new Refusal(`An input ${which} is not available in this version.`, 'kind')
      }
      return calculate(input)
    }),
  )
}
