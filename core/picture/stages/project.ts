import { forecastWayOf } from '../../forecast/ways'
import type { Result } from '../../result'
import { componentsOf } from '../components'
import { comparedLayers } from '../pinnedLayers'
import { keptLayers, mainStrip, salesLayers } from '../salesLayers'
import type { StripSources } from '../sources'
import type { Strip } from '../strips'

/** The forecast, put back into season, with its limits. */
export function projectStrips(result: Result, sources: StripSources): Strip[] {
  const parts = componentsOf(result, sources)
  const { extendsTrend } = forecastWayOf(result.method.forecast.by)
  return [
    mainStrip('Forecast', sources, [
      ...comparedLayers(sources.pinned),
      ...salesLayers(result, sources),
      // Where it is not extended, the trend of the decomposition goes no further than the values.
      ...(extendsTrend ? parts.trend : []),
      ...(sources.pinned.length > 0 ? parts.fitted : []),
      ...parts.limits,
      ...keptLayers(sources),
      ...parts.members,
      ...parts.forecastDeseasonalized,
      ...parts.statistical,
      ...parts.scenarios,
      ...parts.forecast,
    ]),
    // A forecast with a season of its own shows that one.
    ...(parts.seasonEffect.length > 0 ? parts.seasonEffect : extendsTrend ? parts.season : []),
  ]
}
