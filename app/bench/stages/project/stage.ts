import { displayScale, withUnit } from '~/figures/displayScale'
import { formatDecimals } from '~/figures/format'
import { countPeriods } from '~~/core/calendar/labels'
import { forecastWayOf } from '~~/core/forecast/ways'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import { componentsOf } from '../../view/strips/components'
import { comparedLayers } from '../../view/strips/pinnedLayers'
import { mainStrip, salesLayers } from '../../view/strips/salesLayers'
import type { ResultStage } from '../stage'

/** The forecast, put back into season, with its limits. */
export const project: ResultStage = {
  needs: 'result',
  label: 'Project',
  focus: ['forecast'],
  seesForecast: true,
  barHeight: 0,
  beside: ({ came }) =>
    came
      ? [
          { kind: 'came', came },
          { kind: 'came-error', came },
        ]
      : [],
  strips: (result, sources) => {
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
        ...parts.members,
        ...parts.forecastDeseasonalized,
        ...parts.forecast,
      ]),
      // A forecast with a season of its own shows that one.
      ...(parts.seasonEffect.length > 0 ? parts.seasonEffect : extendsTrend ? parts.season : []),
    ]
  },
  line: (result) => {
    const { method, series, forecast } = result
    const sum = forecast.forecast.reduce((all, value) => all + value, 0)
    // Twelve prices are no price: a level is told by its mean.
    const isLevel = series.quantity === 'level'
    const total = isLevel ? sum / forecast.forecast.length : sum
    // Of its own size: a year of billions is not thirty thousand billion.
    const scale = displayScale([total], series.unit)
    const periods = countPeriods(method.forecast.horizon, calendarOfResult(result))
    return `${periods}: ${isLevel ? 'mean ' : ''}${withUnit(formatDecimals(total / scale.divisor, scale.decimals), scale)}`
  },
}
