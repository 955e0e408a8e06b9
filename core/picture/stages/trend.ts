import { forecastWayOf } from '../../forecast/ways'
import type { Result } from '../../result'
import { componentsOf } from '../components'
import { mainStrip, salesLayers } from '../salesLayers'
import { saidOfForecast, saidOfTrend } from '../said'
import type { StripSources } from '../sources'
import type { Strip } from '../strips'

/** The trend through the deseasonalized series, the cycle around it, and the regression on trend and season. */
export function trendStrips(result: Result, sources: StripSources): Strip[] {
  const parts = componentsOf(result, sources)
  const sales = salesLayers(result, sources)
  const { extendsTrend, fitsTrend, hasOwnTrend, withWeights } = forecastWayOf(
    result.method.forecast.by,
  )
  const title = hasOwnTrend
    ? 'Level, decomposition'
    : extendsTrend
      ? 'Trend'
      : 'Trend, decomposition'
  const line = parts.trend.map((one) => ({
    ...one,
    notes: saidOfTrend(result, sources.says).notes,
  }))
  const beside = hasOwnTrend ? [] : parts.cycle
  return [
    mainStrip(title, sources, [
      ...parts.pinned.trendCycle,
      ...(parts.deseasonalized.length > 0 ? parts.deseasonalized : sales),
      // A forecast with a level of its own makes nothing of the line.
      ...(hasOwnTrend ? [] : line),
      ...parts.trendCycle,
    ]),
    ...(fitsTrend ? regressionStrips(result, sources) : beside),
    ...(withWeights ? smoothingStrip(result, sources) : []),
    ...parts.states,
  ]
}

/** The values with what the regression makes of them, and what it leaves. */
function regressionStrips(result: Result, sources: StripSources): Strip[] {
  const parts = componentsOf(result, sources)
  const said = saidOfForecast(result, sources.says)
  return [
    {
      ...mainStrip('Fitted, regression', sources, [
        ...salesLayers(result, sources),
        ...parts.fitted.map((one) => ({
          ...one,
          notes: said?.notes,
        })),
      ]),
      id: 'regression',
      share: 3,
    },
    ...parts.residual.map((one) => ({ ...one, title: 'Residual, regression', share: 1.6 })),
  ]
}

/** The values with what the smoothing said of each one period before, and of those that come. */
function smoothingStrip(result: Result, sources: StripSources): Strip[] {
  const parts = componentsOf(result, sources)
  return [
    {
      ...mainStrip('Fitted', sources, [
        ...salesLayers(result, sources),
        ...parts.fitted.map((one) => ({ ...one, label: 'one step ahead' })),
        ...parts.forecast,
      ]),
      id: 'fitted',
      share: 2.4,
    },
  ]
}
