import { declare, type Column } from '../column/column'
import { operation } from '../column/expression'
import type { Run } from '../column/run'
import type { Value } from '../series/series'
import type { Stage } from '../stage'
import type { TrendColumns } from './trendColumn'
import { trendWayOf, type TrendFit } from './ways'

/**
 * The trend, what it was made of where it was smoothed, and the cycle that the trend-cycle makes around it.
 *
 * @param hasCycle a trend-cycle that is itself a line has no cycle to show against one
 */
export function trendColumns(
  run: Run,
  { hasCycle, ...parts }: TrendColumns<TrendFit> & { readonly hasCycle: boolean },
): Column[] {
  const cycle = hasCycle ? [cycleColumn(run, parts.stages)] : []
  return [...trendWayOf(parts.fit.form).columns(run, parts), ...cycle]
}

function cycleColumn(run: Run, stages: readonly Stage[]): Column {
  const { columns, unit, model } = run
  return declare(unit, {
    name: 'cycle',
    label: 'Cycle',
    strip: { id: 'cycle', title: 'Cycle', share: 1.6, label: 'average against trend' },
    means: `trend-cycle ${model.remove} trend`,
    measure: model.measure,
    component: 'trendCycle',
    mark: 'line-thick',
    stages,
    actual: columns.trendCycle.map((value, i): Value => {
      const level = columns.trend[i]!
      // A share of a trend that is not above 0 has no meaning.
      const isMeaningless = level === null || (model.measure === 'factor' && !(level > 0))
      return value === null || isMeaningless ? null : model.takeOut(value, level)
    }),
    arithmetic: (t) => operation(run.cell('trendCycle', t), model.remove, run.cell('trend', t)),
    whyUndefined: (t) => {
      if (run.value('trendCycle', t) === null) return run.whyUndefined('trendCycle', t)
      if (run.value('trend', t) === null) return run.whyUndefined('trend', t)
      return 'The trend is not above 0 here, and a share of it has no meaning.'
    },
  })
}
