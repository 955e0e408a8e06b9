import { weightsWords } from '../../stateSpace/weightsWords'
import { LIMIT_KINDS } from '../commonOptions'
import type { ForecastWay } from '../way'
import { forecastBySmoothing, stepsOfSmoothing, type SmoothingForecast } from './calculate'
import { columnsOfSmoothing, levelOfSmoothing } from './columns'
import { findingsOfSmoothing } from './findings'
import {
  completeSmoothing,
  smoothingDocument,
  type SmoothingDocument,
  type SmoothingOptions,
} from './options'
import { labelOfSmoothing, wordsOfSmoothing } from './words'

/** Level, trend and season revised with every value, the newest counting most. */
export const smoothing = {
  name: 'smoothing',
  home: 'by smoothing',
  says: {
    text: 'by smoothing',
    means:
      'Level, trend and season are revised with every value, the newest counting most; the decomposition stays to look at.',
  },
  extendsTrend: false,
  fitsTrend: false,
  hasOwnTrend: true,
  steps: stepsOfSmoothing,
  isBenchmark: false,
  limits: LIMIT_KINDS,
  document: smoothingDocument,
  complete: completeSmoothing,
  within: (document) => document,
  slowChoices: {
    areOpen: ({ trend, season, error }) => [trend, season, error].includes('chosen'),
    made: ({ form }) => form,
  },
  nearChoices: ({ form, weights }) => ({ ...form, nearWeights: weights }),
  // Nothing is searched: it starts where it started. Limits that would have to be simulated are left out.
  withWeights: ({ form, initial, factors }, weights) => ({
    ...form,
    weights,
    initial,
    ...(factors ? {} : { levels: [] }),
    limits: undefined,
  }),
  // Of transformed values it compares with nothing.
  criterion: ({ criteria, transform }) =>
    transform ? null : { of: 'the smoothing', aicc: criteria.aicc },
  said: ({ weights }, _report, says) => ({ notes: [], line: weightsWords(weights, says) }),
  forecast: forecastBySmoothing,
  columns: columnsOfSmoothing,
  levelAtOrigin: levelOfSmoothing,
  words: wordsOfSmoothing,
  findings: findingsOfSmoothing,
  label: labelOfSmoothing,
  carriesOn: () => ({ by: 'smoothing' }),
  candidates: ({ decompositions }) => [
    { ...decompositions[0], forecast: { by: 'smoothing', trend: 'damped' } },
    {
      ...decompositions[0],
      forecast: { by: 'smoothing', trend: 'chosen', season: 'chosen', error: 'chosen' },
    },
  ],
} as const satisfies ForecastWay<SmoothingDocument, SmoothingOptions, SmoothingForecast>
