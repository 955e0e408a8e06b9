import type { Column } from '../../column/column'
import { operation } from '../../column/expression'
import { capitalized } from '../../series/noun'
import type { Value } from '../../series/series'
import type { IteratedRun } from './appended'
import { yearAverage } from './arithmetic'
import type { IteratedTaken } from './calculate'
import { correctionOf, extremeWeight, replacedValue } from './extremeArithmetic'
import { Round } from './round'

/** What a value beside its level is called. */
function departureOf({ model }: IteratedRun): 'ratio' | 'difference' {
  return model.measure === 'factor' ? 'ratio' : 'difference'
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
    arithmetic: round.less((t) => run.stepAt(input, t), round.at('trend1')),
  })
}

/** The first round: the season beside an average of a year, then beside a trend, extremes replaced each time. */
export function firstRound(run: IteratedRun): Column[] {
  const { rounds, used } = run.taken
  const own = rounds.round1
  const round = new Round(run, 'round1')
  const y = (t: number) => run.stepAt(run.input.column, t)
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
  round.season({
    ...{ step: 'seasonProvisional1', raw: 'rawProvisional1', label: 'First provisional season' },
    ...{ from: 'si1', si: own.si1, used: used['round1.1'] },
    values: own.seasonProvisional1,
  })
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
  round.season({
    ...{ step: 'season1', raw: 'raw1', label: 'First season' },
    ...{ from: 'si1Replaced', si: own.si1Replaced, used: used['round1.1'] },
    values: own.season1,
  })
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
  round.season({
    ...{ step: 'seasonProvisional2', raw: 'rawProvisional2', label: 'Provisional season' },
    ...{ from: 'si2', si: own.si2, used: used['round1.2'] },
    values: own.seasonProvisional2,
  })
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
  round.season({
    ...{ step: 'season2', raw: 'raw2', label: 'Season' },
    ...{ from: 'si2Replaced', si: own.si2Replaced, used: used['round1.2'] },
    values: own.season2,
  })
  end(round, own, run)
  return round.columns
}

function lessEach({ model }: IteratedRun, a: readonly Value[], b: readonly Value[]): Value[] {
  return a.map((value, i) => (value === null ? null : model.takeOut(value, b[i]!)))
}

/** The last steps of a round that takes extremes back. */
function end(round: Round, own: IteratedTaken['rounds']['round2'], run: IteratedRun): void {
  const y = (t: number) => run.stepAt(run.input.column, t)
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
  round.season({
    ...{ step: 'season1', raw: 'raw1', label: 'First season' },
    ...{ from: 'si1', si: own.si1, used: used[`${round.name}.1`] },
    values: own.season1,
  })
  round.add('adjusted1', {
    ...{
      label: 'First adjusted',
      means: `${run.model.remove} first season`,
      kind: 'level',
      values: own.adjusted1,
    },
    arithmetic: round.less((t) => run.stepAt(input, t), round.at('season1')),
  })
  round.trend(round.name, 'adjusted1', own.trend2)
  round.add('si2', {
    ...{
      label: capitalized(departureOf(run)),
      means: `extremes taken back ${run.model.remove} trend`,
      kind: 'season',
      values: own.si2,
    },
    arithmetic: round.less((t) => run.stepAt(input, t), round.at('trend2')),
  })
}

/** The second: the same of the values without their extremes. */
export function secondRound(run: IteratedRun): Column[] {
  const { rounds, used } = run.taken
  const round = new Round(run, 'round2')
  middle(round, 'round1:modified', rounds.round2, run)
  round.season({
    ...{ step: 'season2', raw: 'raw2', label: 'Season' },
    ...{ from: 'si2', si: rounds.round2.si2, used: used['round2.2'] },
    values: rounds.round2.season2,
  })
  end(round, rounds.round2, run)
  return round.columns
}

/** The third, up to what the components are made of. */
export function thirdRound(run: IteratedRun): Column[] {
  const { rounds, used } = run.taken
  const round = new Round(run, 'round3')
  middle(round, 'round2:modified', rounds.round3, run)
  round.season({
    ...{ step: 'season2', raw: 'raw2', label: 'Season' },
    ...{ from: 'si2', si: rounds.round3.si2, used: used['round3.2'] },
    values: null,
  })
  round.add('adjustedModified', {
    ...{
      label: 'Adjusted, extremes taken back',
      means: `extremes taken back ${run.model.remove} index`,
      kind: 'level',
      values: rounds.round3.adjustedModified,
    },
    arithmetic: (t) =>
      operation(run.stepAt('round2:modified', t), run.model.remove, run.stepAt('index', t)),
  })
  return round.columns
}
