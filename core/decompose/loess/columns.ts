import { oneCycle } from '../../calendar/labels'
import type { Column } from '../../column/column'
import {
  deseasonalizedColumn,
  indexColumn,
  irregularColumn,
  recomposedColumn,
  seasonalIrregularColumn,
  trendCycleColumn,
  weightColumn,
} from '../columns'
import { loessIndex, loessTrend, loessWeight, type LoessRun } from './arithmetic'

/** The columns of a decomposition by loess, in the order of the work. */
export function columnsOfLoess(run: LoessRun): Column[] {
  const { options, taken, per, calendar } = run
  const cycle = oneCycle(calendar)
  const { seasonalWindow, trendWindow } = options
  return [
    trendCycleColumn(run, {
      label: 'Trend-cycle',
      means: `loess, ${trendWindow} ${per}s`,
      arithmetic: (t) => loessTrend(run, t),
    }),
    seasonalIrregularColumn(run, taken.seasonalIrregular, {
      name: 'trend-cycle',
      at: (t) => run.cell('trendCycle', t),
    }),
    indexColumn(run, {
      means:
        seasonalWindow === 'periodic'
          ? `loess, the same every ${cycle}`
          : `loess, ${seasonalWindow} ${cycle}s`,
      arithmetic: (t) => loessIndex(run, t),
    }),
    deseasonalizedColumn(run),
    irregularColumn(run),
    recomposedColumn(run, 'trend-cycle'),
    weightColumn(run, taken.weights, (t) => loessWeight(run, t)),
  ]
}
