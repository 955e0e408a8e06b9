import { breakChange, formChange } from '../formChange'
import type { TrendWay } from '../way'
import { fittedColumns, trendRegression } from './columns'
import { asLine, fitTrend, type FittedTrend } from './fit'
import { FITTED_FORMS } from './forms'
import { fittedLimits } from './limits'
import {
  completeFitted,
  fittedTo,
  fittedWithin,
  trendDesign,
  type FittedDocument,
  type FittedTrendOptions,
} from './options'
import { reportFitted, type FittedTrendReport } from './report'
import { saidOfFitted } from './said'
import { fittedWords } from './words'

/** Trends that are fitted by least squares to columns of time. */
export const leastSquares = {
  name: 'least-squares',
  forms: FITTED_FORMS,
  complete: completeFitted,
  within: fittedWithin,
  // A handful of columns: a constant, powers of time, breaks.
  steps: ({ breaks = [] }, { periods }) => 2 * periods * (3 + 2 * breaks.length) ** 2,
  fit: (values, options, time, nameOf) =>
    fitTrend(values, time.firstT, fittedTo(options, time), nameOf),
  report: reportFitted,
  r2: ({ r2 }) => r2,
  said: saidOfFitted,
  design: trendDesign,
  columns: fittedColumns,
  ahead({ form, terms }, design, t) {
    const [constant, ...rest] = terms.map(({ estimate }) => estimate)
    return t.map((at) => {
      const sum = rest.reduce((total, own, j) => total + own * design[j]!.at(at), constant!)
      return FITTED_FORMS[form].ofLog ? Math.exp(sum) : sum
    })
  },
  limits: fittedLimits,
  regression: trendRegression,
  asLine,
  words: fittedWords,
  change: (form, breaks, middle) =>
    FITTED_FORMS[form].bends
      ? breakChange(breaks ?? [{ period: middle, level: false }])
      : formChange(form),
} as const satisfies TrendWay<FittedDocument, FittedTrendOptions, FittedTrend, FittedTrendReport>
