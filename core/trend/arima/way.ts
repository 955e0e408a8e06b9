import { asPlainDocument } from '../../arima/orderOptions'
import { stepsOfModel } from '../../arima/model'
import { arimaColumns } from '../../stateSpace/arima/columns'
import { levelFilter } from '../../stateSpace/arima/filter'
import { pointsAhead, taken } from '../../stateSpace/arima/forecast'
import { differencing, expanded } from '../../stateSpace/arima/polynomial'
import { formChange } from '../formChange'
import { limitsByVariance } from '../limitsByVariance'
import type { TrendWay } from '../way'
import { arimaTrendColumns } from './columns'
import { fitArimaTrend, type ArimaTrend } from './fit'
import { ARIMA_FORMS } from './form'
import { completeArimaTrend, type ArimaTrendDocument, type ArimaTrendOptions } from './options'
import { reportArima, type ArimaTrendReport } from './report'
import { saidOfArima } from './said'
import { wordsOfArimaTrend } from './words'

const NO_SEASON = 1

/** The trend that an ARIMA model without season makes of what has none. */
export const arima = {
  name: 'arima',
  forms: ARIMA_FORMS,
  complete: (_form, document) => completeArimaTrend(document),
  within: (document) => document,
  steps: (options, { periods }) => stepsOfModel(options, { periods, seasons: NO_SEASON }),
  fit: (values, options, { firstT }, _nameOf, hear) => fitArimaTrend(values, firstT, options, hear),
  slowChoices: {
    areOpen: ({ choose }) => choose !== 'given',
    made: ({ found: { model, fit } }) => ({ ...asPlainDocument(model), near: fit.coefficients }),
  },
  report: (trend, _options, told) => reportArima(trend, told),
  r2: () => null,
  said: saidOfArima,
  design: () => [],
  columns: arimaTrendColumns,
  ahead,
  limits: (_run, _report, _design, figures) => limitsByVariance('Σψ²', figures),
  words: wordsOfArimaTrend,
  change: formChange,
} as const satisfies TrendWay<ArimaTrendDocument, ArimaTrendOptions, ArimaTrend, ArimaTrendReport>

/** The periods after the last, one after the other. */
function ahead(
  { model, end, to }: ArimaTrendReport,
  _design: unknown,
  t: readonly number[],
): number[] {
  const { coefficients, order, constant } = model
  const filter = levelFilter(expanded(coefficients, NO_SEASON), differencing(order, NO_SEASON))
  const extent = { length: 0, firstT: to + 1, horizon: t.length }
  const future = arimaColumns(constant, [], extent).map((column) => column.future)
  return pointsAhead(filter, end, t.length).map((point, i) => point + taken(model, future, i))
}
