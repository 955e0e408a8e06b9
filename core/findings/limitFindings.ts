import type { Figures } from '../calculate'
import type { Examined } from '../examine'
import type { Finding } from '../finding'
import { forecastWayOf } from '../forecast/ways'
import { durbinWatson } from '../regression/report'
import { figure, inUnit } from '../words/figure'

/** Residuals pass for independent between these Durbin–Watson figures. */
const INDEPENDENT = [1.5, 2.5] as const

/** What the reader of the limits must know: whether they hold what they promise, and whether they make sense. */
export function limitFindings(
  { ahead, method, prepared, series, columns }: Figures,
  { residualLikeness, regression }: Examined,
): Finding[] {
  const likeness = forecastWayOf(method.forecast.by).extendsTrend
    ? residualLikeness
    : (regression?.durbinWatson ?? durbinWatson(columns.residual))
  const widest = ahead.limits[Math.max(...method.forecast.levels)]
  const takesIndependent = method.forecast.limits === 'model'
  if (!widest || (takesIndependent && ahead.interval.s === null)) return []
  const findings: Finding[] = []
  const isWithin = likeness === null || (likeness >= INDEPENDENT[0] && likeness <= INDEPENDENT[1])
  if (takesIndependent && !isWithin) {
    findings.push({
      code: 'limits-narrow',
      severity: 'caution',
      stage: 'project',
      text: `The limits take the residuals for independent, and they are not (Durbin–Watson ${figure(likeness)}): ${likeness < INDEPENDENT[0] ? 'they can be too narrow' : 'they need not hold what they promise'}. The check counts what they held.`,
      period: null,
      figure: likeness,
    })
  }
  const hasNegative = prepared.used.values.some((value) => value !== null && value < 0)
  const at = widest.lower.findIndex((lower) => lower !== null && lower < 0)
  if (!hasNegative && at >= 0) {
    const { values, firstT } = prepared.used
    const { code, label } = prepared.used.periodOf(ahead.t[at]! - firstT)
    findings.push({
      code: 'limit-below-zero',
      severity: 'note',
      stage: 'project',
      text: `The lower limit falls below 0 in ${label} (${inUnit(widest.lower[at]!, series.unit)}), which none of the ${values.length} values does: read it as 0.`,
      period: code,
      figure: widest.lower[at]!,
    })
  }
  return findings
}
