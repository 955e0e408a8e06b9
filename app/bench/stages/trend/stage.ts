import { formatDecimals, formatRough } from '~/figures/format'
import { calendarOf } from '~~/core/calendar/calendar'
import { onePeriod } from '~~/core/calendar/labels'
import { traitsOf } from '~~/core/decompose/ways'
import type { Result } from '~~/core/result'
import { TREND_FORMS } from '~~/core/trend/forms'
import { componentsOf } from '../../view/strips/components'
import { mainStrip, salesLayers } from '../../view/strips/salesLayers'
import type { ResultStage } from '../stage'

/** The trend through the deseasonalized series, and the cycle around it. */
export const trend: ResultStage = {
  needs: 'result',
  label: 'Trend',
  focus: ['trend'],
  seesWhole: true,
  barHeight: 0,
  beside: () => [],
  strips: (result, sources) => {
    const parts = componentsOf(result, sources)
    const sales = salesLayers(result, sources)
    return [
      mainStrip('Trend', sources, [
        ...parts.pinned.trendCycle,
        ...(parts.deseasonalized.length > 0 ? parts.deseasonalized : sales),
        ...parts.trend,
        ...parts.trendCycle,
      ]),
      ...parts.cycle,
    ]
  },
  line: trendLine,
}

/** `+212.6 litres a month; R² 0.18 → 0.90`; of a growth `+0.5% a month`; of a curve its name. */
function trendLine({ trendFit, series, method }: Result): string {
  const { r2, r2Before, rates, form } = trendFit
  const fits = traitsOf(method.decompose).hasSeason
    ? `R² ${share(r2Before)} → ${share(r2)}`
    : `R² ${share(r2)}`
  if (!rates) return `${TREND_FORMS[form].words}; ${fits}`
  const per = onePeriod(calendarOf(series.frequency, series))
  const { perPeriod } = rates
  const size = TREND_FORMS[form].ofLog
    ? `${formatDecimals(Math.abs(perPeriod) * 100, 2)}%`
    : `${formatRough(Math.abs(perPeriod))} ${series.unit}`.trim()
  return `${perPeriod < 0 ? '−' : '+'}${size} a ${per}; ${fits}`
}

function share(r2: number | null): string {
  return r2 === null ? '–' : formatDecimals(r2, 2)
}
