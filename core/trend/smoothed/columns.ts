import { declare, type Column } from '../../column/column'
import type { Run } from '../../column/run'
import {
  smoothingArithmetic,
  slopeWords,
  type SmoothingArithmetic,
} from '../../stateSpace/arithmetic'
import type { Value } from '../../series/series'
import type { Stage } from '../../stage'
import { notFitted, trendColumn, trended, type TrendColumns } from '../trendColumn'
import type { SmoothedTrendReport } from './report'

/** Level and slope at the end of every period, and the trend of the next that is made of them. */
export function smoothedColumns(run: Run, parts: TrendColumns<SmoothedTrendReport>): Column[] {
  const cells = smoothedCells(run, parts.fit)
  const arithmetic = (t: number) => (t > run.lastT ? cells.reached(t) : cells.before(t))
  return [
    ...stateColumns(run, parts.fit, parts.stages),
    trendColumn(run, parts, { means: 'level and slope before', arithmetic }),
  ]
}

/** The arithmetic of a trend that is smoothed. */
function smoothedCells(run: Run, { smoothing, from }: SmoothedTrendReport): SmoothingArithmetic {
  const { form, weights, initial } = smoothing
  return smoothingArithmetic(run, {
    ...{ form, weights, initial, from, of: trended(run) },
    ...{ level: 'trendLevel', slope: 'trendSlope', season: '' },
  })
}

/** Level and slope at the end of every period: what the trend of the next is made of. */
function stateColumns(run: Run, report: SmoothedTrendReport, stages: readonly Stage[]): Column[] {
  const { states, smoothing, from } = report
  const cells = smoothedCells(run, report)
  const inSpan = (own: readonly number[]) =>
    run.columns.t.map((t): Value => (t < from ? null : own[t - from]!))
  const common = { stages, whyUndefined: notFitted(run) }
  return [
    declare(run.unit, {
      ...common,
      name: 'trendLevel',
      label: 'Level of the trend',
      symbol: 'level',
      means: 'the newest counts most',
      measure: 'level',
      component: 'deseasonalized',
      mark: 'line-thin',
      actual: inSpan(states.level),
      arithmetic: cells.level,
    }),
    ...(states.slope
      ? [
          declare(run.unit, {
            ...common,
            name: 'trendSlope',
            label: 'Slope of the trend',
            strip: { id: 'state', title: 'Slope', share: 1.4, label: 'of the trend' },
            symbol: 'slope',
            ...slopeWords(smoothing.form, run.per),
            component: 'deseasonalized',
            mark: 'line-thin',
            actual: inSpan(states.slope),
            arithmetic: cells.slope,
          }),
        ]
      : []),
  ]
}
