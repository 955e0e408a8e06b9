import { displayScale, withUnit } from '~~/core/words/displayScale'
import { formatDecimals } from '~/figures/format'
import { countPeriods } from '~~/core/calendar/labels'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import { keptRows } from './kept'
import type { ResultStage } from './stage'

/** The forecast, put back into season, with its limits. */
export const project: ResultStage = {
  needs: 'result',
  label: 'Project',
  focus: ['forecast'],
  seesForecast: true,
  barHeight: 0,
  beside: ({ came, kept }) => [
    ...(came ? [{ kind: 'came', came } as const, { kind: 'came-error', came } as const] : []),
    ...keptRows(kept),
  ],
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
