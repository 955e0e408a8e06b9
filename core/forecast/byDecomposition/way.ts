import { OF_ARIMA } from '../../trend/arima/form'
import { STRAIGHT } from '../../trend/leastSquares/forms'
import { SMOOTHED } from '../../trend/smoothed/form'
import { LIMIT_KINDS } from '../commonOptions'
import type { ForecastWay } from '../way'
import { forecastByDecomposition, type DecompositionForecast } from './calculate'
import { columnsOfForecast, levelOfDecomposition } from './columns'
import { findingsOfForecast } from './findings'
import {
  byDecompositionDocument,
  completeByDecomposition,
  type ByDecompositionDocument,
  type ByDecompositionOptions,
} from './options'
import { wordsOfDecompositionForecast } from './words'

/** The trend of the deseasonalized series extended, and the season put back. */
export const byDecomposition = {
  name: 'decomposition',
  home: 'by decomposition',
  says: {
    text: 'by decomposition',
    means: 'The trend through the deseasonalized series goes on, and the season is put back.',
  },
  extendsTrend: true,
  fitsTrend: false,
  hasOwnTrend: false,
  // Trend and season are there already.
  steps: () => 0,
  isBenchmark: false,
  limits: LIMIT_KINDS,
  document: byDecompositionDocument,
  complete: completeByDecomposition,
  within: (document) => document,
  indexAhead: ({ index }) => index,
  forecast: forecastByDecomposition,
  columns: columnsOfForecast,
  levelAtOrigin: levelOfDecomposition,
  words: wordsOfDecompositionForecast,
  findings: findingsOfForecast,
  label: (_, { decomposition, trend }) => `${decomposition}; ${trend}`,
  candidates: ({ decompositions, seasons, periods }) => [
    ...decompositions.flatMap((decomposition) =>
      [undefined, 3, 5]
        .map((years) => years && years * seasons)
        .filter((last) => last === undefined || last < periods)
        .map((last) => ({ ...decomposition, trend: { form: STRAIGHT, last } })),
    ),
    ...decompositions.map((decomposition) => ({ ...decomposition, trend: { form: SMOOTHED } })),
    // Without a season the series itself is what it would go through, and that is another way's line.
    ...decompositions
      .filter((_, i) => i === 0 && seasons > 1)
      .map((decomposition) => ({ ...decomposition, trend: { form: OF_ARIMA } })),
  ],
} as const satisfies ForecastWay<
  ByDecompositionDocument,
  ByDecompositionOptions,
  DecompositionForecast
>
