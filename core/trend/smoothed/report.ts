import { smoothingFigures, type SmoothingFigures } from '../../stateSpace/figures'
import { figure } from '../../words/figure'
import type { TrendReported } from '../reported'
import type { SmoothedTrend } from './fit'

/** The report of a smoothed trend. */
export interface SmoothedTrendReport {
  readonly form: 'smoothed'
  /** Where level and slope stand at the end, in words with the real figures. */
  readonly equation: string
  /** Time codes of the smoothed periods. */
  readonly from: number
  readonly to: number
  readonly smoothing: SmoothingFigures
  /** States at the end of every period smoothed. */
  readonly states: { readonly level: readonly number[]; readonly slope: readonly number[] | null }
}

/** What there is to say of a trend that was smoothed. */
export function reportSmoothed(
  { from, to, chosen, table, rows }: SmoothedTrend,
  { name, periodLabel }: Pick<TrendReported, 'name' | 'periodLabel'>,
): SmoothedTrendReport {
  const { level, trend } = rows
  const slope = trend?.at(-1)
  const rise =
    slope === undefined ? '' : ` ${slope < 0 ? '−' : '+'} ${figure(Math.abs(slope))} a period`
  return {
    form: 'smoothed',
    equation: `${name} at ${periodLabel(to)}: ${figure(level.at(-1)!)}${rise}${chosen.form.trend === 'damped' ? ', dying away' : ''}`,
    ...{ from, to },
    smoothing: smoothingFigures(chosen, rows.end, {}, table),
    states: { level, slope: trend ?? null },
  }
}
