import type { ForecastWay } from '../way'
import { forecastByRegression, type RegressionForecast } from './calculate'
import { columnsOfRegression } from './columns'
import { findingsOfRegression } from './findings'
import {
  completeRegression,
  regressionDocument,
  type RegressionDocument,
  type RegressionOptions,
} from './options'
import { wordsOfRegression } from './words'

/** One regression of the values on trend, season and events. */
export const regression = {
  name: 'regression',
  home: 'by regression',
  says: {
    text: 'by regression',
    means:
      'Trend, season and events are fitted to the values at once; the decomposition stays to look at.',
  },
  extendsTrend: false,
  document: regressionDocument,
  complete: completeRegression,
  forecast: forecastByRegression,
  columns: columnsOfRegression,
  words: wordsOfRegression,
  findings: findingsOfRegression,
} as const satisfies ForecastWay<RegressionDocument, RegressionOptions, RegressionForecast>
