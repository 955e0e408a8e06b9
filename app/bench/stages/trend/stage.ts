import { forecastWayOf } from '~~/core/forecast/ways'
import type { Result } from '~~/core/result'
import { r2Words } from '../../figures/r2Words'
import { weightsWords } from '../../ways/smoothing/weightsOf'
import { trendWordsOf } from '../../ways/trendWords'
import { componentsOf } from '../../view/strips/components'
import { mainStrip, salesLayers } from '../../view/strips/salesLayers'
import type { StripSources } from '../../view/strips/sources'
import type { Strip } from '../../view/strips/strips'
import type { ResultStage } from '../stage'

/** The trend through the deseasonalized series, the cycle around it, and the regression on trend and season. */
export const trend: ResultStage = {
  needs: 'result',
  label: 'Trend',
  focus: ['smoothedLevel', 'trend'],
  seesWhole: true,
  barHeight: 0,
  beside: () => [],
  strips: (result, sources) => {
    const parts = componentsOf(result, sources)
    const sales = salesLayers(result, sources)
    const { regression } = result
    const { extendsTrend, hasOwnTrend } = forecastWayOf(result.method.forecast.by)
    const title = hasOwnTrend
      ? 'Level, decomposition'
      : extendsTrend
        ? 'Trend'
        : 'Trend, decomposition'
    const line = parts.trend.map((one) => ({ ...one, notes: trendWordsOf(result).notes(result) }))
    const beside = hasOwnTrend ? [] : parts.cycle
    return [
      mainStrip(title, sources, [
        ...parts.pinned.trendCycle,
        ...(parts.deseasonalized.length > 0 ? parts.deseasonalized : sales),
        // A forecast with a level of its own makes nothing of the line.
        ...(hasOwnTrend ? [] : line),
        ...parts.trendCycle,
      ]),
      ...(regression ? regressionStrips(result, sources) : beside),
      ...('weights' in result.forecast ? smoothingStrip(result, sources) : []),
      ...parts.states,
    ]
  },
  line: trendLine,
}

/** The values with what the regression makes of them, and what it leaves. */
function regressionStrips(result: Result, sources: StripSources): Strip[] {
  const parts = componentsOf(result, sources)
  return [
    {
      ...mainStrip('Fitted, regression', sources, [
        ...salesLayers(result, sources),
        ...parts.fitted.map((one) => ({
          ...one,
          notes: [r2Words(result.regression!.r2)],
        })),
      ]),
      id: 'regression',
      share: 3,
    },
    ...parts.strip('residual', 'Residual, regression', 1.6, [`${sources.noun} − fitted`]),
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

/** What the forecast's own trend came to, or the trend of the decomposition. */
function trendLine(result: Result): string {
  const { regression, forecast } = result
  if ('weights' in forecast) return weightsWords(forecast.weights)
  if (regression) return `regression, ${r2Words(regression.r2)}`
  return trendWordsOf(result).line(result)
}
