import { formatChange, formatDecimals, formatRough } from '~/figures/format'
import { displayScale } from '~/figures/displayScale'
import { calendarOf } from '~~/core/calendar/calendar'
import { onePeriod, countPeriods } from '~~/core/calendar/labels'
import { furthestFromTrend } from '~~/core/beside/furthest'
import { wayOf } from '~~/core/decompose/ways'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import type { Looked, Result } from '~~/core/result'
import { slopeOf } from '~~/core/trend/report'
import type { Stage } from './stages'

/** The one-line result of each stage. */
export function stageResults(result: Result): Record<Stage, string> {
  const { method, accuracy, series } = result
  const calendar = calendarOfResult(result)
  const scale = displayScale(result.columns.value, series.unit)
  const { hasSeason } = wayOf(method.decompose.by).traits
  const total = result.forecast.forecast.reduce((sum, value) => sum + value, 0)
  return {
    look: lookResult(result),
    smooth: wayOf(method.decompose.by).smooths(method.decompose, calendar),
    season: seasonResult(result),
    deseasonalize: furthest(result),
    trend: trendResult(result, hasSeason),
    project: `${countPeriods(method.forecast.horizon, calendar)}: ${formatDecimals(total / scale.divisor, scale.decimals)} ${scale.unit}`,
    check: checkResult(accuracy.fitted.mase, hasSeason),
  }
}

/** What Look comes to, whether or not there is a method. */
export function lookResult(shown: Looked): string {
  const { periods, missing } = shown.series
  const calendar = calendarOfResult(shown)
  return `${countPeriods(periods, calendar)}, ${missing === 0 ? 'none' : missing} missing`
}

function trendResult({ trendFit, series }: Result, hasSeason: boolean): string {
  const { r2, r2Before } = trendFit
  const slope = slopeOf(trendFit) ?? 0
  const fits = hasSeason ? `R² ${share(r2Before)} → ${share(r2)}` : `R² ${share(r2)}`
  const per = onePeriod(calendarOf(series.frequency, series))
  return `${slope < 0 ? '−' : '+'}${formatRough(Math.abs(slope))} ${series.unit} a ${per}; ${fits}`
}

function seasonResult(result: Result): string {
  const { seasons, method, columns, series } = result
  if (seasons.length === 0) return series.seasons < 2 ? 'none in a yearly series' : 'none taken out'
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

function checkResult(mase: number | null, hasSeason: boolean): string {
  const naive = hasSeason ? 'last year' : 'the last value'
  if (mase === null) return `no ${hasSeason ? 'year' : 'value'} to compare with`
  return `MASE ${formatDecimals(mase, 2)} fitted, ${mase < 1 ? 'better than' : 'no better than'} ${naive}`
}

function share(r2: number | null): string {
  return r2 === null ? '–' : formatDecimals(r2, 2)
}
