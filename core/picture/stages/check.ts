import { triedOverSpan } from '../../beside/tried'
import type { Result } from '../../result'
import { componentsOf } from '../components'
import { comparedLayers } from '../pinnedLayers'
import { keptLayers, mainStrip, pointsOf, salesLayers } from '../salesLayers'
import type { StripSources } from '../sources'
import { layer, type Strip } from '../strips'
import { triedLayers } from '../triedLayers'

/** How such forecasts would have done, from earlier origins; and how the method fits what it has seen. */
export function checkStrips(result: Result, sources: StripSources): Strip[] {
  const parts = componentsOf(result, sources)
  const { tried, noun, scale } = sources
  const pinned = sources.pinned.length > 0 ? [...parts.limits, ...parts.forecast] : []
  if (!tried) {
    return [
      mainStrip('Fitted', sources, [
        ...comparedLayers(sources.pinned),
        ...salesLayers(result, sources),
        ...keptLayers(sources),
        ...parts.fitted,
        ...pinned,
      ]),
      ...parts.residual,
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
}
