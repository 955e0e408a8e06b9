import { traitsOf } from '~~/core/decompose/ways'
import { formatDecimals } from '~/figures/format'
import { componentsOf } from '../../view/strips/components'
import { comparedLayers } from '../../view/strips/pinnedLayers'
import { mainStrip, pointsOf, salesLayers } from '../../view/strips/salesLayers'
import { layer } from '../../view/strips/strips'
import type { ResultStage } from '../stage'
import { triedLayers } from './triedLayers'
import { triedOverSpan } from '~~/core/beside/tried'

/** How such forecasts would have done, from earlier origins; and how the method fits what it has seen. */
export const check: ResultStage = {
  needs: 'result',
  label: 'Check',
  focus: ['residual'],
  seesWhole: true,
  barHeight: 34,
  beside: ({ tried }) =>
    tried
      ? [
          { kind: 'tried', tried },
          { kind: 'tried-error', tried },
        ]
      : [],
  strips: (result, sources) => {
    const parts = componentsOf(result, sources)
    const { tried, noun, scale } = sources
    const pinned = sources.pinned.length > 0 ? [...parts.limits, ...parts.forecast] : []
    if (!tried) {
      return [
        mainStrip('Fitted', sources, [
          ...comparedLayers(sources.pinned),
          ...salesLayers(result, sources),
          ...parts.fitted,
          ...pinned,
        ]),
        ...parts.strip('residual', 'Residual', 2, [`${noun} − fitted`]),
      ]
    }
    const { t } = result.columns
    const errors = triedOverSpan(tried.one, 'error', t[0]!, t.length)
    const widest = Math.max(...result.method.forecast.levels)
    return [
      mainStrip('Forecasts then', sources, [
        ...comparedLayers(sources.pinned),
        ...salesLayers(result, sources),
        ...triedLayers(tried.all, tried.one, widest, 'from this origin'),
        ...pinned,
      ]),
      {
        id: 'tried-error',
        title: 'Error then',
        share: 2,
        unit: scale.unit,
        baseline: 0,
        measure: 'difference',
        layers: [layer(`${noun} − forecast`, 'irregular', 'stems', pointsOf(result, errors))],
      },
    ]
  },
  line: ({ accuracy, method }) => {
    const { mase } = accuracy.fitted
    const { hasSeason } = traitsOf(method.decompose)
    if (mase === null) return `no ${hasSeason ? 'year' : 'value'} to compare with`
    return `MASE ${formatDecimals(mase, 2)} in the sample`
  },
}
