import { STRAIGHT } from '../../trend/leastSquares/forms'
import type { RegressionReport } from '../../regression/fullReport'
import { r2Words } from '../../regression/r2Words'
import { LIMIT_KINDS } from '../commonOptions'
import type { ForecastWay } from '../way'
import { forecastByRegression, type RegressionForecast } from './calculate'
import { columnsOfRegression, levelOfRegression } from './columns'
import { findingsOfRegression } from './findings'
import {
  completeRegression,
  regressionWithin,
  regressionDocument,
  type RegressionDocument,
  type RegressionOptions,
} from './options'
import { readRegression } from './readings'
import { labelOfRegression, wordsOfRegression } from './words'

/** The report that every forecast of this way has; others have none, and their results hold null in its place. */
function itsOwn(report: RegressionReport | null): RegressionReport {
  if (!report) throw new RangeError('A forecast by regression has a report.')
  return report
}

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
  fitsTrend: true,
  hasOwnTrend: false,
  // Columns of trend, season and events.
  steps: ({ indicators, steps }, { periods, seasons }) =>
    2 * periods * (seasons + indicators.length + steps.length + 3) ** 2,
  isBenchmark: false,
  limits: LIMIT_KINDS,
  document: regressionDocument,
  complete: completeRegression,
  within: regressionWithin,
  forecast: forecastByRegression,
  columns: columnsOfRegression,
  levelAtOrigin: levelOfRegression,
  words: wordsOfRegression,
  findings: findingsOfRegression,
  label: labelOfRegression,
  said: (_ahead, report, says) => {
    const fits = r2Words(itsOwn(report).r2, says)
    return { notes: [fits], line: `regression, ${fits}` }
  },
  events: (report) => {
    const { terms, kinds } = itsOwn(report)
    return new Map(
      terms.flatMap(({ label, estimate }, i) => (kinds[i] === 'event' ? [[label, estimate]] : [])),
    )
  },
  likeness: (report) => itsOwn(report).durbinWatson,
  readings: (options, report, told) => readRegression(options, itsOwn(report), told),
  candidates: ({ model, seasons, decompositions }) => [
    {
      ...decompositions[0],
      trend: { form: STRAIGHT },
      forecast: { by: 'regression', season: seasons < 2 ? 'none' : 'effects', model },
    },
  ],
} as const satisfies ForecastWay<RegressionDocument, RegressionOptions, RegressionForecast>
