import { declare, type Column } from '../column/column'
import { operation, type Expression } from '../column/expression'
import type { Run } from '../column/run'
import type { Value } from '../series/series'
import { seasonOut } from '../words/seasonOut'

/** What a way says of its trend-cycle. */
interface TrendCycleWords {
  readonly label: string
  readonly means: string
  arithmetic(t: number): Expression
  whyUndefined?(t: number): string
}

/** The trend-cycle. */
export function trendCycleColumn(run: Run, words: TrendCycleWords): Column {
  return declare(run.unit, {
    ...words,
    name: 'trendCycle',
    measure: 'level',
    component: 'trendCycle',
    mark: 'line-thick',
    stages: ['smooth', 'season', 'trend'],
    actual: run.columns.trendCycle,
  })
}

/**
 * The value without what the season is seen against.
 *
 * @param against how that is called, and its cell or figure
 */
export function seasonalIrregularColumn(
  run: Run,
  values: readonly Value[],
  against: { readonly name: string; at(t: number): Expression },
): Column {
  const { model } = run
  return declare(run.unit, {
    name: 'seasonalIrregular',
    label: model.measure === 'factor' ? 'Ratio' : 'Difference',
    means: `${run.inputNoun} ${model.remove} ${against.name}`,
    measure: model.measure,
    component: 'season',
    mark: 'dots',
    stages: ['season'],
    actual: values,
    arithmetic: (t) => operation(run.cell(run.input.column, t), model.remove, against.at(t)),
    whyUndefined: (t) => whyWithoutTrendCycle(run, t),
  })
}

/** The index of each period, running on into the forecast. */
export function indexColumn(
  run: Run,
  words: { readonly means: string; arithmetic(t: number): Expression },
): Column {
  return declare(run.unit, {
    ...words,
    name: 'index',
    label: 'Index',
    strip: { id: 'season', title: 'Season', share: 2, label: 'index' },
    measure: run.model.measure,
    component: 'season',
    mark: 'bars',
    stages: ['season', 'deseasonalize', ...(run.indexAhead ? ['project' as const] : [])],
    actual: run.columns.index,
    ahead: run.indexAhead,
  })
}

/** The value without its season. */
export function deseasonalizedColumn(run: Run): Column {
  const { model } = run
  return declare(run.unit, {
    name: 'deseasonalized',
    label:
      run.without.length === 0 ? 'Deseasonalized' : `No ${['season', ...run.without].join(' or ')}`,
    symbol: run.without.length === 0 ? 'deseasonalized' : seasonOut(run.without).of(run.noun),
    means: [run.noun, ...run.without, 'index'].join(` ${model.remove} `),
    measure: 'level',
    component: 'deseasonalized',
    mark: 'line-thin',
    stages: ['deseasonalize', 'trend'],
    actual: run.columns.deseasonalized,
    arithmetic: (t) => operation(run.cell(run.input.column, t), model.remove, run.cell('index', t)),
  })
}

/** What trend-cycle and season leave over. */
export function irregularColumn(run: Run): Column {
  const { model, hasSeason } = run
  const departure = model.measure === 'factor' ? 'ratio' : 'difference'
  return declare(run.unit, {
    name: 'irregular',
    label: 'Irregular',
    strip: { id: 'irregular', title: 'Irregular', share: 1.6, label: 'irregular' },
    means: hasSeason
      ? `${departure} ${model.remove} index`
      : `${run.inputNoun} ${model.remove} average`,
    measure: model.measure,
    component: 'irregular',
    mark: 'stems',
    stages: hasSeason ? ['season', 'deseasonalize'] : ['smooth', 'season', 'deseasonalize'],
    actual: run.columns.irregular,
    arithmetic: (t) => operation(run.cell(run.input.column, t), model.remove, recomposedAt(run, t)),
    whyUndefined: (t) => whyWithoutTrendCycle(run, t),
  })
}

/** How far each period is believed, by a way whose outliers lose weight. */
export function weightColumn(
  run: Run,
  weights: readonly Value[],
  arithmetic: (t: number) => Expression,
): Column {
  return declare(run.unit, {
    name: 'weight',
    label: 'Weight',
    strip: { id: 'weight', title: 'Weight', share: 1, label: 'weight' },
    means: 'how far believed',
    measure: 'share',
    component: 'irregular',
    mark: 'bars',
    stages: ['season'],
    actual: weights,
    arithmetic,
  })
}

/**
 * Trend-cycle and season together.
 *
 * @param smooth what the trend-cycle is called: `average`
 */
export function recomposedColumn(run: Run, smooth: string): Column {
  return declare(run.unit, {
    name: 'recomposed',
    label: 'Recomposed',
    means: `${smooth} ${run.model.restore} index`,
    measure: 'level',
    component: 'trendCycle',
    mark: 'line-dashed',
    stages: ['season'],
    actual: run.columns.recomposed,
    arithmetic: (t) => recomposedAt(run, t),
    whyUndefined: (t) => run.whyUndefined('trendCycle', t),
  })
}

function recomposedAt(run: Run, t: number): Expression {
  const level = run.cell('trendCycle', t)
  return run.hasSeason ? operation(level, run.model.restore, run.cell('index', t)) : level
}

function whyWithoutTrendCycle(run: Run, t: number): string {
  return run.value(run.input.column, t) === null
    ? 'This period has no value.'
    : run.whyUndefined('trendCycle', t)
}
