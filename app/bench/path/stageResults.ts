import { formatChange, formatDecimals, formatRough } from '~/figures/format'
import { displayScale } from '~/figures/displayScale'
import { onePeriod, countPeriods } from '~~/core/calendar/labels'
import { furthestFromTrend } from '~~/core/beside/furthest'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import type { Result } from '~~/core/result'
import type { Stage } from './stages'

/** The one-line result of each stage. */
export function stageResults(result: Result): Record<Stage, string> {
  const { series, method, trendFit, accuracy } = result
  const calendar = calendarOfResult(result)
  const scale = displayScale(result.columns.value, series.unit)
  const slope = trendFit.terms[1]!.estimate
  const total = result.forecast.forecast.reduce((sum, value) => sum + value, 0)
  return {
    look: `${countPeriods(series.periods, calendar)}, ${series.missing === 0 ? 'none' : series.missing} missing`,
    smooth: smoothResult(result),
    season: seasonResult(result),
    deseasonalize: furthest(result),
    trend: `${slope < 0 ? '−' : '+'}${formatRough(Math.abs(slope))} ${series.unit} a ${onePeriod(calendar)}; R² ${share(trendFit.r2Before)} → ${share(trendFit.r2)}`,
    project: `${countPeriods(method.forecast.horizon, calendar)}: ${formatDecimals(total / scale.divisor, scale.decimals)} ${scale.unit}`,
    check: checkResult(accuracy.fitted.mase),
  }
}

function smoothResult({ method, series }: Result): string {
  const m = series.seasons
  if (method.decompose.by === 'stl') return `loess over ${method.decompose.trendWindow}, ends kept`
  if (method.decompose.by !== 'ratio-to-moving-average') return 'by a line'
  return `${m % 2 === 0 ? `2×${m}` : m}; ${Math.floor(m / 2)} lost at each end`
}

function seasonResult({ seasons, method, columns, series }: Result): string {
  const peak = seasons.reduce((best, row) => (row.index > best.index ? row : best))
  const trough = seasons.reduce((worst, row) => (row.index < worst.index ? row : worst))
  if (method.decompose.model === 'multiplicative') {
    return `${peak.label} ${formatDecimals(peak.index, 2)} · ${trough.label} ${formatDecimals(trough.index, 2)}`
  }
  const scale = displayScale(columns.value, series.unit)
  const text = (value: number) => formatDecimals(value / scale.divisor, scale.decimals)
  return `${peak.label} +${text(peak.index)} · ${trough.label} ${text(trough.index)} ${scale.unit}`
}

/** The period that stands furthest from the trend once the season is out. */
function furthest(result: Result): string {
  const { over, under } = furthestFromTrend(result, 1)
  const [most] = [...over, ...under].sort((a, b) => Math.abs(b.distance) - Math.abs(a.distance))
  if (!most) return 'no trend to stand against'
  const scale = displayScale(result.columns.value, result.series.unit)
  const size =
    result.method.decompose.model === 'multiplicative'
      ? formatChange(most.distance * 100)
      : `${most.distance < 0 ? '−' : '+'}${formatDecimals(Math.abs(most.distance) / scale.divisor, scale.decimals)} ${scale.unit}`
  return `furthest off: ${most.label}, ${size}`
}

function checkResult(mase: number | null): string {
  if (mase === null) return 'no year to compare with'
  return `MASE ${formatDecimals(mase, 2)} fitted, ${mase < 1 ? 'better than' : 'no better than'} last year`
}

function share(r2: number | null): string {
  return r2 === null ? '–' : formatDecimals(r2, 2)
}
