import type { Figures } from '../calculate'
import type { Examined } from '../examine'
import type { Finding } from '../finding'
import { figure, inUnit } from '../words/figure'

/** Residuals pass for independent between these Durbin–Watson figures. */
const INDEPENDENT = [1.5, 2.5] as const

/** What the reader of the limits must know: whether they hold what they promise, and whether they make sense. */
export function limitFindings(
  { ahead, method, prepared, series }: Figures,
  { residualLikeness, regression }: Examined,
): Finding[] {
  const durbinWatson = regression ? regression.durbinWatson : residualLikeness
  const widest = ahead.limits[Math.max(...method.forecast.levels)]
  if (!widest || ahead.interval.s === null) return []
  const findings: Finding[] = []
  if (durbinWatson !== null && (durbinWatson < INDEPENDENT[0] || durbinWatson > INDEPENDENT[1])) {
    findings.push({
      code: 'limits-narrow',
      severity: 'caution',
      stage: 'project',
      text: `The limits take the residuals for independent, and they are not (Durbin–Watson ${figure(durbinWatson)}): ${durbinWatson < INDEPENDENT[0] ? 'they are too narrow' : 'they need not hold what they promise'}.`,
      period: null,
      figure: durbinWatson,
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
