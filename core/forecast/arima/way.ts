import { asDocument } from '../../arima/orderOptions'
import { stepsOfModel } from '../../arima/model'
import { orderText } from '../../stateSpace/arima/order'
import { figure } from '../../words/figure'
import { LIMIT_KINDS } from '../commonOptions'
import type { ForecastWay } from '../way'
import { forecastByArima, type ArimaForecast } from './calculate'
import { columnsOfArima, levelOfArima } from './columns'
import { findingsOfArima } from './findings'
import {
  arimaDocument,
  arimaWithin,
  completeArima,
  type ArimaDocument,
  type ArimaOptions,
} from './options'
import { labelOfArima, wordsOfArima } from './words'

/** Values and surprises of the last periods, and of a year before, each with a weight. */
export const arima = {
  name: 'arima',
  home: 'by ARIMA',
  says: {
    text: 'by ARIMA',
    means:
      'What is to come is a weighted sum of the latest values, their differences and their surprises; the decomposition stays to look at.',
  },
  extendsTrend: false,
  fitsTrend: false,
  hasOwnTrend: true,
  steps: stepsOfModel,
  isBenchmark: false,
  limits: LIMIT_KINDS,
  document: arimaDocument,
  complete: completeArima,
  within: arimaWithin,
  slowChoices: {
    areOpen: ({ choose }) => choose !== 'given',
    made: (model) => ({ ...asDocument(model), near: model.coefficients }),
  },
  said: ({ order, constant }) => ({ notes: [], line: orderText(order, constant) }),
  // Of other differences, or on another scale, the likelihood is of other figures.
  criterion: ({ order: { d, D }, transform, aicc }) => ({
    of: `ARIMA with d = ${d}, D = ${D}${transform ? `, λ = ${figure(transform.lambda)}` : ''}`,
    aicc,
  }),
  forecast: forecastByArima,
  columns: columnsOfArima,
  levelAtOrigin: levelOfArima,
  words: wordsOfArima,
  findings: findingsOfArima,
  label: labelOfArima,
  // The orders that hold for most series with a season: to look for others takes as long as everything else together.
  carriesOn: (model) => ({
    ...{ by: 'arima', orders: [0, 1, 1], seasonalOrders: [0, 1, 1] },
    transform: model === 'multiplicative' ? 'ln' : 'none',
  }),
  candidates: ({ decompositions: [usual = {}], model }) => [
    { ...usual, forecast: { by: 'arima', transform: model === 'multiplicative' ? 'ln' : 'none' } },
  ],
} as const satisfies ForecastWay<ArimaDocument, ArimaOptions, ArimaForecast>
