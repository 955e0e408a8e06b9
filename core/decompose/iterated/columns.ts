import { declare, type Column } from '../../column/column'
import {
  deseasonalizedColumn,
  indexColumn,
  irregularColumn,
  recomposedColumn,
  seasonalIrregularColumn,
  trendCycleColumn,
} from '../columns'
import { figureOf, operation } from '../../column/expression'
import type { DecompositionRun } from '../way'
import { CARRIED_ON, inLedger, withAppended, type IteratedRun } from './appended'
import { aheadFactor, seasonFactor, trendFiltered } from './arithmetic'
import { extremeWeight } from './extremeArithmetic'
import type { IteratedTaken } from './calculate'
import type { IteratedOptions } from './options'
import { figure, percent } from '../../words/figure'
import { readDeparture } from '../../words/reading'
import { firstRound, secondRound, thirdRound } from './rounds'
import { carrierName } from './words'
import { seasonOut } from '../../words/seasonOut'

/** The columns of a decomposition by iterated averages: the rounds, folded away, and the components. */
export function columnsOfIterated(
  given: DecompositionRun<IteratedOptions, IteratedTaken>,
): Column[] {
  const run = withAppended(given)
  const { taken, options } = run
  const { round3 } = taken.rounds
  const length = taken.ic.final.length
  const filter = taken.used['round3.2'].replace('x', '×')
  const count = run.lastT - run.firstT + 1
  run.tell('index', round3.season2)
  return [
    ...carriedOn(run),
    ...firstRound(run),
    ...secondRound(run),
    ...thirdRound(run),
    trendCycleColumn(run, {
      label: 'Trend-cycle',
      means: `Henderson’s average of ${length} terms`,
      arithmetic: trendFiltered(run, 'round3:adjustedModified', length),
    }),
    {
      ...seasonalIrregularColumn(run, round3.siUnmodified.slice(0, count), {
        name: 'trend of round 3',
        at: (t) => run.stepAt('round3:trend2', t),
      }),
      reading: (t) => believedWords(run, t - run.firstT),
    },
    indexColumn(run, {
      means: filter === 'stable' ? 'the same every year' : `${filter} over the years`,
      arithmetic: (t) =>
        t > run.firstT + run.count - 1
          ? aheadFactor(run, t)
          : seasonFactor(run, 'round3:raw2', round3.si2, 'index')(t),
    }),
    deseasonalizedColumn(run),
    ...yearlyColumns(run),
    saying(irregularColumn(run), `${seasonOut(run.without).short} ${run.model.remove} trend-cycle`),
    recomposedColumn(run, 'trend-cycle'),
    declare(run.unit, {
      name: 'weight',
      label: 'Weight',
      strip: { id: 'weight', title: 'Weight', share: 1, label: 'weight' },
      means: `1 up to ${options.extremes[0]} σ, 0 beyond ${options.extremes[1]}`,
      ...{ measure: 'share', component: 'irregular', mark: 'bars', stages: ['season'] },
      actual: taken.rounds.round2.weight.slice(0, count),
      arithmetic: extremeWeight(run, 'round2:irregular', taken.rounds.round2),
    }),
  ]
}

/** How a ratio stands beside the baseline, and where it is not believed in full how far it is, and what stands in its place. */
function believedWords({ taken, model, unit }: IteratedRun, entry: number): string {
  const { siUnmodified, si2 } = taken.rounds.round3
  const baseline = model.measure === 'factor' ? 1 : 0
  const departs = readDeparture(siUnmodified[entry]!, baseline, unit)
  const weight = taken.rounds.round2.weight[entry]!
  if (weight === 1) return departs
  const far = weight === 0 ? 'not believed' : `believed to ${percent(weight)}`
  return `${departs}; ${far}: the season is made of ${figure(si2[entry]!)} in its place`
}

/** What the series was carried on by before anything was filtered. */
function carriedOn(run: IteratedRun): Column[] {
  const { extension } = run.taken
  const { extend } = run.options
  if (!extend) return []
  const values = [...run.input.values, ...extension]
  const by = carrierName(extend)
  run.tell(CARRIED_ON, values)
  return [
    declare(run.unit, {
      ...{ name: CARRIED_ON, label: 'Carried on', symbol: 'carried on' },
      means: `a year before filtering, by ${by}`,
      ...{ measure: 'level', component: 'forecast', mark: 'line-dotted', stages: ['season'] },
      ahead: inLedger(run, values).ahead ?? null,
      arithmetic: (t) => figureOf(`carried on by ${by}`, values[t - run.firstT]!),
    }),
  ]
}

/** Adjusted values with yearly sums kept, and what brought them there. */
function yearlyColumns(run: IteratedRun): Column[] {
  const { yearly } = run.taken
  if (!yearly) return []
  const isFactor = run.model.measure === 'factor'
  return [
    declare(run.unit, {
      ...{
        name: 'yearlyStep',
        label: 'Yearly sums',
        symbol: `${isFactor ? 'factor' : 'amount'} of the yearly sums`,
      },
      means: `${isFactor ? 'factor' : 'amount'} that keeps them, changing least`,
      ...{ measure: run.model.measure, component: 'deseasonalized', mark: 'line-thin' },
      stages: ['deseasonalize'],
      actual: yearly.step,
      arithmetic: (t) =>
        figureOf('what keeps the sums and changes least', yearly.step[t - run.firstT]!),
    }),
    declare(run.unit, {
      ...{
        name: 'yearlyKept',
        label: 'Yearly sums kept',
        symbol: `${seasonOut(run.without).short}, yearly sums kept`,
      },
      means: `${seasonOut(run.without).short} ${run.model.restore} ${isFactor ? 'factor' : 'amount'} of the yearly sums`,
      ...{ measure: 'level', component: 'deseasonalized', mark: 'line-dotted' },
      stages: ['deseasonalize'],
      strip: { id: 'deseasonalized', title: 'Deseasonalized', share: 1, label: 'yearly sums kept' },
      actual: yearly.adjusted,
      arithmetic: (t) =>
        operation(run.stepAt('deseasonalized', t), run.model.restore, run.stepAt('yearlyStep', t)),
    }),
  ]
}

/** A column whose words are others than those of its kind. */
function saying(column: Column, means: string): Column {
  return { ...column, means, explains: means }
}
