import type { Figures } from '../calculate'
import { countPeriods } from '../calendar/labels'
import type { Examined } from '../examine'
import type { Finding } from '../finding'
import { forecastWayOf } from '../forecast/ways'
import { durbinWatson } from '../regression/report'
import { figure, inUnit } from '../words/figure'
import { GROW } from '../trend/formChange'
import { TREND_FORMS } from '../trend/forms'

/** Residuals pass for independent between these Durbin–Watson figures. */
const INDEPENDENT = [1.5, 2.5] as const

/** What the reader of a forecast and its limits must know: whether they hold what they promise, and whether they make sense. */
export function limitFindings(figures: Figures, examined: Examined): Finding[] {
  const below = forecastBelowZero(figures)
  return [
    ...below,
    ...outsideLimits(figures),
    ...narrowLimits(figures, examined),
    ...(below.length > 0 ? [] : limitBelowZero(figures)),
  ]
}

function hasNegative({ prepared }: Figures): boolean {
  return prepared.used.values.some((value) => value !== null && value < 0)
}

/** A forecast that falls below 0 of a series that never did, with what cannot fall there. */
function forecastBelowZero(figures: Figures): Finding[] {
  const { ahead, prepared, method, series } = figures
  const at = ahead.forecast.findIndex((point) => point < 0)
  if (at < 0 || hasNegative(figures)) return []
  const { code, label } = periodAhead(figures, at)
  const { extendsTrend } = forecastWayOf(method.forecast.by)
  const canGrow =
    extendsTrend &&
    !TREND_FORMS[method.trend.form].follows &&
    figures.decomposed.deseasonalized.every((value) => value === null || value > 0)
  return [
    {
      code: 'forecast-below-zero',
      severity: 'caution',
      stage: 'project',
      text: `The forecast falls below 0 in ${label} (${inUnit(ahead.forecast[at]!, series.unit)}), which none of the ${prepared.used.values.length} values does: a slope that goes on for ever gets there. Growth by shares never does, a damped slope may not, and a shorter horizon ends before.`,
      period: code,
      figure: ahead.forecast[at]!,
      actions: [
        ...(canGrow ? [GROW] : []),
        ...(at > 0
          ? [
              {
                label: `Project ${countPeriods(at, series.calendar)}`,
                change: { forecast: { horizon: at } },
              },
            ]
          : []),
      ],
    },
  ]
}

/** A point outside its own limits: means of what leans to one side lie there, and medians of paths that multiply. */
function outsideLimits(figures: Figures): Finding[] {
  const { ahead, series } = figures
  for (const [level, { lower, upper }] of Object.entries(ahead.limits)) {
    const at = ahead.forecast.findIndex(
      (point, i) =>
        (lower[i] !== null && point < lower[i]!) || (upper[i] !== null && point > upper[i]!),
    )
    if (at < 0) continue
    const { code, label } = periodAhead(figures, at)
    return [
      {
        code: 'point-outside-limits',
        severity: 'note',
        stage: 'project',
        text: `In ${label} the forecast (${inUnit(ahead.forecast[at]!, series.unit)}) lies outside its own ${level}% limits: what can come leans to one side, and the point is not the middle of it.`,
        period: code,
        figure: ahead.forecast[at]!,
      },
    ]
  }
  return []
}

/** Limits that take residuals for independent which are not. */
function narrowLimits(
  { ahead, method, columns, report }: Figures,
  { residualLikeness }: Examined,
): Finding[] {
  if (method.forecast.limits !== 'model' || ahead.interval.s === null) return []
  const { extendsTrend, likeness: ofModel } = forecastWayOf(method.forecast.by)
  const likeness = extendsTrend
    ? residualLikeness
    : (ofModel?.(report()) ?? durbinWatson(columns.residual))
  const isWithin = likeness === null || (likeness >= INDEPENDENT[0] && likeness <= INDEPENDENT[1])
  if (isWithin || Object.keys(ahead.limits).length === 0) return []
  return [
    {
      code: 'limits-narrow',
      severity: 'caution',
      stage: 'project',
      text: `The limits take the residuals for independent, and they are not (Durbin–Watson ${figure(likeness)}): ${likeness < INDEPENDENT[0] ? 'they can be too narrow' : 'they need not hold what they promise'}. The check counts what they held.`,
      period: null,
      figure: likeness,
    },
  ]
}

/** A lower limit below 0 of a series that never is. */
function limitBelowZero(figures: Figures): Finding[] {
  const { ahead, method, prepared, series } = figures
  const widest = ahead.limits[Math.max(...method.forecast.levels)]
  if (!widest || hasNegative(figures)) return []
  const at = widest.lower.findIndex((lower) => lower !== null && lower < 0)
  if (at < 0) return []
  const { code, label } = periodAhead(figures, at)
  return [
    {
      code: 'limit-below-zero',
      severity: 'note',
      stage: 'project',
      text: `The lower limit falls below 0 in ${label} (${inUnit(widest.lower[at]!, series.unit)}), which none of the ${prepared.used.values.length} values does: read it as 0.`,
      period: code,
      figure: widest.lower[at]!,
    },
  ]
}

function periodAhead({ ahead, prepared }: Figures, at: number) {
  return prepared.used.periodOf(ahead.t[at]! - prepared.used.firstT)
}
