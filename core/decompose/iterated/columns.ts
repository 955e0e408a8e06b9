import { declare, type Column } from '../../column/column'
import {
  deseasonalizedColumn,
  indexColumn,
  irregularColumn,
  recomposedColumn,
  seasonalIrregularColumn,
  trendCycleColumn,
} from '../columns'
import { aheadFactor, seasonFactor, trendFiltered, type IteratedRun } from './arithmetic'
import { extremeWeight } from './extremeArithmetic'
import { firstRound, secondRound, thirdRound } from './rounds'

/** The columns of a decomposition by iterated averages: the rounds, folded away, and the components. */
export function columnsOfIterated(run: IteratedRun): Column[] {
  const { taken, options } = run
  const { round3 } = taken.rounds
  const length = taken.ic.final.length
  const filter = taken.used['round3.2'].replace('x', '×')
  return [
    ...firstRound(run),
    ...secondRound(run),
    ...thirdRound(run),
    trendCycleColumn(run, {
      label: 'Trend-cycle',
      means: `Henderson’s average of ${length} terms`,
      arithmetic: trendFiltered(run, 'round3:adjustedModified', length),
    }),
    seasonalIrregularColumn(run, round3.siUnmodified, {
      name: 'trend of round 3',
      at: (t) => run.cell('round3:trend2', t),
    }),
    indexColumn(run, {
      means: filter === 'stable' ? 'the same every year' : `${filter} over the years`,
      arithmetic: (t) =>
        t > run.lastT
          ? aheadFactor(run, t)
          : seasonFactor(run, 'round3:raw2', round3.si2, 'index')(t),
    }),
    deseasonalizedColumn(run),
    saying(irregularColumn(run), `deseasonalized ${run.model.remove} trend-cycle`),
    recomposedColumn(run, 'trend-cycle'),
    declare(run.unit, {
      name: 'weight',
      label: 'Weight',
      strip: { id: 'weight', title: 'Weight', share: 1, label: 'weight' },
      means: `1 up to ${options.extremes[0]} σ, 0 beyond ${options.extremes[1]}`,
      ...{ measure: 'share', component: 'irregular', mark: 'bars', stages: ['season'] },
      actual: taken.rounds.round2.weight,
      arithmetic: extremeWeight(run, 'round2:irregular', taken.rounds.round2),
    }),
  ]
}

/** A column whose words are others than those of its kind. */
function saying(column: Column, means: string): Column {
  return { ...column, means, explains: means }
}
