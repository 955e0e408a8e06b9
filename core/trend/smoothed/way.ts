import { projected } from '../../stateSpace/recursion'
import { SEARCH_A_PERIOD } from '../../work/extent'
import { formChange } from '../formChange'
import { limitsByVariance } from '../limitsByVariance'
import type { TrendWay } from '../way'
import { smoothedColumns } from './columns'
import { FORMS, smoothTrend, type SmoothedTrend } from './fit'
import { SMOOTHED_FORMS } from './form'
import { completeSmoothed, type SmoothedDocument, type SmoothedTrendOptions } from './options'
import { reportSmoothed, type SmoothedTrendReport } from './report'
import { saidOfSmoothed } from './said'
import { smoothedWords } from './words'

/** The trend whose level and slope follow the values, the newest counting most. */
export const smoothed = {
  name: 'smoothed',
  forms: SMOOTHED_FORMS,
  complete: (_form, document) => completeSmoothed(document),
  within: (document) => document,
  steps: ({ smoothing }, { periods }) =>
    (smoothing === 'chosen' ? FORMS.length : 1) * SEARCH_A_PERIOD.noSeason * periods,
  fit: (values, options, { firstT, calendar: { seasons } }) =>
    smoothTrend(values, firstT, { ...options, seasons }),
  nearChoices: ({ chosen: { form, weights } }) => ({
    smoothing: FORMS.find(({ trend }) => trend === form.trend)!.trend,
    nearWeights: weights,
  }),
  report: (trend, _options, told) => reportSmoothed(trend, told),
  r2: () => null,
  said: saidOfSmoothed,
  design: () => [],
  columns: smoothedColumns,
  ahead: ({ smoothing: { form, end, weights } }, _design, t) =>
    projected(form, end, weights.phi ?? 1, t.length),
  limits: (_run, _report, _design, figures) => limitsByVariance('Σc²', figures),
  words: smoothedWords,
  change: formChange,
} as const satisfies TrendWay<
  SmoothedDocument,
  SmoothedTrendOptions,
  SmoothedTrend,
  SmoothedTrendReport
>
