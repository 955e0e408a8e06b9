import { traitsOf } from '~~/core/decompose/ways'
import { formatDecimals } from '~/figures/format'
import { keptRows } from './kept'
import type { ResultStage } from './stage'

/** How such forecasts would have done, from earlier origins; and how the method fits what it has seen. */
export const check: ResultStage = {
  needs: 'result',
  label: 'Check',
  focus: ['residual'],
  seesWhole: true,
  barHeight: 34,
  beside: ({ tried, kept }) => [
    ...(tried ? [{ kind: 'tried', tried } as const, { kind: 'tried-error', tried } as const] : []),
    ...keptRows(kept),
  ],
  line: ({ accuracy, method }) => {
    const { mase } = accuracy.fitted
    const { hasSeason } = traitsOf(method.decompose)
    if (mase === null) return `no ${hasSeason ? 'year' : 'value'} to compare with`
    return `MASE ${formatDecimals(mase, 2)} in the sample`
  },
}
