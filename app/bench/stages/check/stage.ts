import { formatDecimals } from '~/figures/format'
import { traitsOf } from '~~/core/decompose/ways'
import { componentsOf } from '../../view/strips/components'
import { comparedLayers } from '../../view/strips/pinnedLayers'
import { mainStrip, salesLayers } from '../../view/strips/salesLayers'
import type { ResultStage } from '../stage'

/** Fitted against actual. */
export const check: ResultStage = {
  needs: 'result',
  label: 'Check',
  focus: ['residual'],
  barHeight: 0,
  beside: () => [],
  strips: (result, sources) => {
    const parts = componentsOf(result, sources)
    return [
      mainStrip('Fitted', sources, [
        ...comparedLayers(sources.pinned),
        ...salesLayers(result, sources),
        ...parts.fitted,
        ...(sources.pinned.length > 0 ? [...parts.limits, ...parts.forecast] : []),
      ]),
      ...parts.strip('residual', 'Residual', 2, [`${sources.noun} − fitted`]),
    ]
  },
  line: ({ accuracy, method }) => {
    const { mase } = accuracy.fitted
    const { hasSeason } = traitsOf(method.decompose)
    const naive = hasSeason ? 'last year' : 'the last value'
    if (mase === null) return `no ${hasSeason ? 'year' : 'value'} to compare with`
    return `MASE ${formatDecimals(mase, 2)} fitted, ${mase < 1 ? 'better than' : 'no better than'} ${naive}`
  },
}
