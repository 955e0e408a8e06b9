import { displayScale, withUnit } from '~/figures/displayScale'
import { formatDecimals, formatRough, inReadersFigures } from '~/figures/format'
import { calendarOf } from '~~/core/calendar/calendar'
import { onePeriod } from '~~/core/calendar/labels'
import { traitsOf } from '~~/core/decompose/ways'
import type { Weights } from '~~/core/exponential/forms'
import { forecastWayOf } from '~~/core/forecast/ways'
import type { Result } from '~~/core/result'
import { TREND_FORMS } from '~~/core/trend/forms'
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
    const line = parts.trend.map((one) => ({ ...one, notes: notesOf(result) }))
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
          notes: [`R² ${share(result.regression!.r2)}`],
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

/** The equation and how much of the variation it explains, said at the line; where it is too long the form alone. */
function notesOf({ trendFit }: Result): string[] {
  if (trendFit.form === 'smoothed') {
    const { weights } = trendFit.smoothing
    return [`${TREND_FORMS.smoothed.words}, ${weightsWords(weights)}`, weightsWords(weights)]
  }
  const { equation, form, r2 } = trendFit
  const fits = `R² ${share(r2)}`
  return [`${inReadersFigures(equation)}; ${fits}`, `${TREND_FORMS[form].words}; ${fits}`, fits]
}

/** `+212.6 litres a month; R² 0.18 → 0.90`; of a growth `+0.5% a month`; of a curve its name. */
function trendLine(result: Result): string {
  const { trendFit, series, method, regression } = result
  const { forecast } = result
  if ('weights' in forecast) return weightsWords(forecast.weights)
  if (regression) return `regression, R² ${share(regression.r2)}`
  if (trendFit.form === 'smoothed') return `smoothed, ${weightsWords(trendFit.smoothing.weights)}`
  const { r2, r2Before, rates, form } = trendFit
  const fits = traitsOf(method.decompose).hasSeason
    ? `R² ${share(r2Before)} → ${share(r2)}`
    : `R² ${share(r2)}`
  if (!rates) return `${TREND_FORMS[form].words}; ${fits}`
  const per = onePeriod(calendarOf(series.frequency, series))
  const { perPeriod } = rates
  const scale = displayScale([perPeriod], series.unit)
  const size = TREND_FORMS[form].ofLog
    ? `${formatDecimals(Math.abs(perPeriod) * 100, 2)}%`
    : withUnit(formatRough(Math.abs(perPeriod) / scale.divisor), scale)
  return `${perPeriod < 0 ? '−' : '+'}${size} a ${per}; ${fits}`
}

/** `α 0.12, β 0, γ 0.65` */
function weightsWords(weights: Weights): string {
  const signs = { alpha: 'α', beta: 'β', gamma: 'γ', phi: 'φ' } as const
  return Object.entries(weights)
    .map(([name, weight]) => `${signs[name as keyof typeof signs]} ${formatDecimals(weight, 2)}`)
    .join(', ')
}

function share(r2: number | null): string {
  return r2 === null ? '–' : formatDecimals(r2, 2)
}
