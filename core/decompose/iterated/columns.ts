import {
  declare,
  type Column,
  type ColumnGroup,
  type Component,
  type Mark,
  type Measure,
} from '../../column/column'
import { operation, type Expression } from '../../column/expression'
import { capitalized } from '../../series/noun'
import type { Value } from '../../series/series'
import {
  deseasonalizedColumn,
  indexColumn,
  irregularColumn,
  recomposedColumn,
  seasonalIrregularColumn,
  trendCycleColumn,
} from '../columns'
import {
  aheadFactor,
  seasonFactor,
  seasonRaw,
  trendFiltered,
  yearAverage,
  type IteratedRun,
} from './arithmetic'
import type { IteratedTaken } from './calculate'
import { correctionOf, extremeWeight, replacedValue } from './extremeArithmetic'
import { rawFactors } from './seasonalStep'
import type { SeasonalFilterName } from './seasonalFilters'
import type { TrendStepName } from './trendStep'

type RoundName = keyof IteratedTaken['rounds']

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

/** What a value beside its level is called. */
function departureOf({ model }: IteratedRun): 'ratio' | 'difference' {
  return model.measure === 'factor' ? 'ratio' : 'difference'
}

/** A column whose words are others than those of its kind. */
function saying(column: Column, means: string): Column {
  return { ...column, means, explains: means }
}

/** What a step of a round is, beside its name and figures. */
interface StepOf {
  readonly label: string
  readonly means: string
  readonly kind: 'level' | 'season' | 'share' | 'irregular'
  readonly values: readonly Value[]
  arithmetic(t: number): Expression
}

const DRAWN: Readonly<Record<StepOf['kind'], readonly [Component, Mark]>> = {
  level: ['trendCycle', 'line-thin'],
  season: ['season', 'dots'],
  share: ['irregular', 'bars'],
  irregular: ['irregular', 'stems'],
}

/** The steps of one round, folded away together. */
class Round {
  readonly columns: Column[] = []
  readonly #group: ColumnGroup

  constructor(
    private readonly run: IteratedRun,
    readonly name: RoundName,
  ) {
    const number = name.slice(-1)
    this.#group = { name: `iterated:${name}`, label: `of round ${number}` }
  }

  add(step: string, { label, means, kind, values, arithmetic }: StepOf): void {
    const { run } = this
    const [component, mark] = DRAWN[kind]
    const measure: Measure =
      kind === 'level' ? 'level' : kind === 'share' ? 'share' : run.model.measure
    this.columns.push(
      declare(run.unit, {
        name: this.column(step),
        ...{ label, means, measure, component, mark, arithmetic },
        symbol: `${label.toLowerCase()} of round ${this.name.slice(-1)}`,
        group: this.#group,
        stages: ['season'],
        actual: values,
        whyUndefined: () =>
          `An average of a year has no value here: it needs half a year on either side.`,
      }),
    )
  }

  column(step: string): string {
    return `${this.name}:${step}`
  }

  cell(step: string, t: number): Expression {
    return this.run.cell(this.column(step), t)
  }

  /** One step less another. */
  less(a: (t: number) => Expression, b: (t: number) => Expression): (t: number) => Expression {
    return (t) => operation(a(t), this.run.model.remove, b(t))
  }

  at(step: string): (t: number) => Expression {
    return (t) => this.cell(step, t)
  }

  /** Factors before they are centred, and the season that they make. */
  season(
    step: string,
    raw: string,
    label: string,
    from: string,
    si: readonly Value[],
    used: SeasonalFilterName,
    values: readonly Value[] | null,
  ): void {
    const { run } = this
    const words =
      used === 'stable' ? 'mean of all years' : `${used.replace('x', '×')} over the years`
    this.add(raw, {
      ...{ label: `${label}, not centred`, means: words, kind: 'season' },
      values: rawFactors(run.taken.frame, si, used),
      arithmetic: seasonRaw(run, this.column(from), si, used),
    })
    // The season of the last round is the index itself.
    if (values) {
      this.add(step, {
        ...{ label, means: 'centred on a year', kind: 'season', values },
        arithmetic: seasonFactor(run, this.column(raw), si, this.column(step)),
      })
    }
  }

  trend(step: TrendStepName, from: string, values: readonly Value[]): void {
    const { length } = this.run.taken.ic[step]
    this.add('trend2', {
      ...{ label: 'Trend', means: `Henderson’s average of ${length} terms`, kind: 'level', values },
      arithmetic: trendFiltered(this.run, this.column(from), length),
    })
  }
}

/** The first steps of every round: an average of a year, and the season beside it. */
function begin(
  round: Round,
  input: string,
  { trend1, si1 }: { trend1: readonly Value[]; si1: readonly Value[] },
  run: IteratedRun,
): void {
  round.add('trend1', {
    ...{
      label: 'Average of a year',
      means: `2×${run.calendar.seasons}`,
      kind: 'level',
      values: trend1,
    },
    arithmetic: yearAverage(run, input),
  })
  round.add('si1', {
    ...{
      label: `First ${departureOf(run)}`,
      means: `${run.model.remove} average`,
      kind: 'season',
      values: si1,
    },
    arithmetic: round.less((t) => run.cell(input, t), round.at('trend1')),
  })
}

function firstRound(run: IteratedRun): Column[] {
  const { rounds, used } = run.taken
  const own = rounds.round1
  const round = new Round(run, 'round1')
  const y = (t: number) => run.cell(run.input.column, t)
  /** What a provisional season leaves, and how far each of it is believed. */
  const weighed = (
    label: string,
    [irregular, weight]: readonly [string, string],
    [si, season]: readonly ['si1' | 'si2', 'seasonProvisional1' | 'seasonProvisional2'],
    extremes: { readonly weight: readonly Value[]; readonly sigma: ReadonlyMap<number, number> },
  ) => {
    round.add(irregular, {
      ...{
        label: `${label} irregular`,
        means: `${departureOf(run)} ${run.model.remove} provisional season`,
      },
      ...{ kind: 'irregular', values: lessEach(run, own[si], own[season]) },
      arithmetic: round.less(round.at(si), round.at(season)),
    })
    round.add(weight, {
      ...{ label: `${label} weight`, means: 'how far believed', kind: 'share' },
      values: extremes.weight,
      arithmetic: extremeWeight(run, round.column(irregular), extremes),
    })
  }
  begin(round, run.input.column, own, run)
  round.season(
    'seasonProvisional1',
    'rawProvisional1',
    'First provisional season',
    'si1',
    own.si1,
    used['round1.1'],
    own.seasonProvisional1,
  )
  weighed('First', ['irregular1', 'weight1'], ['si1', 'seasonProvisional1'], {
    ...{ weight: own.weight1, sigma: own.sigma1 },
  })
  round.add('si1Replaced', {
    ...{
      label: `First ${departureOf(run)}, extremes replaced`,
      means: 'by those of other years',
      kind: 'season',
      values: own.si1Replaced,
    },
    arithmetic: replacedValue(run, round.column('si1'), own.si1, own.weight1),
  })
  round.season(
    'season1',
    'raw1',
    'First season',
    'si1Replaced',
    own.si1Replaced,
    used['round1.1'],
    own.season1,
  )
  round.add('adjusted1', {
    ...{
      label: 'First adjusted',
      means: `${run.inputNoun} ${run.model.remove} first season`,
      kind: 'level',
      values: own.adjusted1,
    },
    arithmetic: round.less(y, round.at('season1')),
  })
  round.trend('round1', 'adjusted1', own.trend2)
  round.add('si2', {
    ...{
      label: capitalized(departureOf(run)),
      means: `${run.inputNoun} ${run.model.remove} trend`,
      kind: 'season',
      values: own.si2,
    },
    arithmetic: round.less(y, round.at('trend2')),
  })
  round.season(
    'seasonProvisional2',
    'rawProvisional2',
    'Provisional season',
    'si2',
    own.si2,
    used['round1.2'],
    own.seasonProvisional2,
  )
  weighed('Second', ['irregular2', 'weight2'], ['si2', 'seasonProvisional2'], {
    ...{ weight: own.weight2, sigma: own.sigma2 },
  })
  round.add('si2Replaced', {
    ...{
      label: `${capitalized(departureOf(run))}, extremes replaced`,
      means: 'by those of other years',
      kind: 'season',
      values: own.si2Replaced,
    },
    arithmetic: replacedValue(run, round.column('si2'), own.si2, own.weight2),
  })
  round.season(
    'season2',
    'raw2',
    'Season',
    'si2Replaced',
    own.si2Replaced,
    used['round1.2'],
    own.season2,
  )
  end(round, own, run)
  return round.columns
}

function lessEach({ model }: IteratedRun, a: readonly Value[], b: readonly Value[]): Value[] {
  return a.map((value, i) => (value === null ? null : model.takeOut(value, b[i]!)))
}

/** The last steps of a round that takes extremes back. */
function end(round: Round, own: IteratedTaken['rounds']['round2'], run: IteratedRun): void {
  const y = (t: number) => run.cell(run.input.column, t)
  round.add('adjusted2', {
    ...{
      label: 'Adjusted',
      means: `${run.inputNoun} ${run.model.remove} season`,
      kind: 'level',
      values: own.adjusted2,
    },
    arithmetic: round.less(y, round.at('season2')),
  })
  round.add('irregular', {
    ...{
      label: 'Irregular of the round',
      means: `adjusted ${run.model.remove} trend`,
      kind: 'irregular',
      values: own.irregular,
    },
    arithmetic: round.less(round.at('adjusted2'), round.at('trend2')),
  })
  round.add('weight', {
    ...{
      label: 'Weight of the round',
      means: 'how far believed',
      kind: 'share',
      values: own.weight,
    },
    arithmetic: extremeWeight(run, round.column('irregular'), own),
  })
  round.add('correction', {
    ...{
      label: 'Correction',
      means: 'what is not believed',
      kind: 'irregular',
      values: own.correction,
    },
    arithmetic: correctionOf(run, round.column('irregular'), round.column('weight')),
  })
  round.add('modified', {
    ...{
      label: 'Extremes taken back',
      means: `${run.inputNoun} ${run.model.remove} correction`,
      kind: 'level',
      values: own.modified,
    },
    arithmetic: round.less(y, round.at('correction')),
  })
}

/** What the second and the third round have in common. */
function middle(
  round: Round,
  input: string,
  own: Pick<
    IteratedTaken['rounds']['round2'],
    'trend1' | 'si1' | 'season1' | 'adjusted1' | 'trend2' | 'si2'
  >,
  run: IteratedRun,
): void {
  const { used } = run.taken
  begin(round, input, own, run)
  round.season(
    'season1',
    'raw1',
    'First season',
    'si1',
    own.si1,
    used[`${round.name}.1`],
    own.season1,
  )
  round.add('adjusted1', {
    ...{
      label: 'First adjusted',
      means: `${run.model.remove} first season`,
      kind: 'level',
      values: own.adjusted1,
    },
    arithmetic: round.less((t) => run.cell(input, t), round.at('season1')),
  })
  round.trend(round.name, 'adjusted1', own.trend2)
  round.add('si2', {
    ...{
      label: capitalized(departureOf(run)),
      means: `extremes taken back ${run.model.remove} trend`,
      kind: 'season',
      values: own.si2,
    },
    arithmetic: round.less((t) => run.cell(input, t), round.at('trend2')),
  })
}

function secondRound(run: IteratedRun): Column[] {
  const { rounds, used } = run.taken
  const round = new Round(run, 'round2')
  middle(round, 'round1:modified', rounds.round2, run)
  round.season(
    'season2',
    'raw2',
    'Season',
    'si2',
    rounds.round2.si2,
    used['round2.2'],
    rounds.round2.season2,
  )
  end(round, rounds.round2, run)
  return round.columns
}

function thirdRound(run: IteratedRun): Column[] {
  const { rounds, used } = run.taken
  const round = new Round(run, 'round3')
  middle(round, 'round2:modified', rounds.round3, run)
  round.season('season2', 'raw2', 'Season', 'si2', rounds.round3.si2, used['round3.2'], null)
  round.add('adjustedModified', {
    ...{
      label: 'Adjusted, extremes taken back',
      means: `extremes taken back ${run.model.remove} index`,
      kind: 'level',
      values: rounds.round3.adjustedModified,
    },
    arithmetic: (t) =>
      operation(run.cell('round2:modified', t), run.model.remove, run.cell('index', t)),
  })
  return round.columns
}
