import {
  declare,
  type Column,
  type ColumnGroup,
  type Component,
  type Mark,
  type Measure,
} from '../../column/column'
import { operation, type Expression } from '../../column/expression'
import type { Value } from '../../series/series'
import { inLedger, type IteratedRun } from './appended'
import { seasonFactor, seasonRaw, trendFiltered } from './arithmetic'
import type { IteratedTaken } from './calculate'
import { rawFactors } from './seasonalStep'
import type { SeasonalFilterName } from './seasonalFilters'
import type { TrendStepName } from './trendStep'

type RoundName = keyof IteratedTaken['rounds']

/** What a step of a round is, beside its name and figures. */
interface StepOf {
  readonly label: string
  readonly means: string
  readonly kind: 'level' | 'season' | 'share' | 'irregular'
  readonly values: readonly Value[]
  arithmetic(t: number): Expression
}

/** A season of a round: what is filtered, and what comes of it. */
interface SeasonOf {
  readonly step: string
  /** The step of the factors before they are centred. */
  readonly raw: string
  readonly label: string
  /** The step that is filtered, and its figures. */
  readonly from: string
  readonly si: readonly Value[]
  readonly used: SeasonalFilterName
  /** null for the last season of all, which is the index itself. */
  readonly values: readonly Value[] | null
}

const DRAWN: Readonly<Record<StepOf['kind'], readonly [Component, Mark]>> = {
  level: ['trendCycle', 'line-thin'],
  season: ['season', 'dots'],
  share: ['irregular', 'bars'],
  irregular: ['irregular', 'stems'],
}

/** The steps of one round, folded away together. */
export class Round {
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
    run.tell(this.column(step), values)
    this.columns.push(
      declare(run.unit, {
        name: this.column(step),
        ...{ label, means, measure, component, mark, arithmetic },
        symbol: `${label.toLowerCase()} of round ${this.name.slice(-1)}`,
        group: this.#group,
        stages: ['season'],
        ...inLedger(run, values),
        whyUndefined: () =>
          `An average of a year has no value here: it needs half a year on either side.`,
      }),
    )
  }

  column(step: string): string {
    return `${this.name}:${step}`
  }

  cell(step: string, t: number): Expression {
    return this.run.stepAt(this.column(step), t)
  }

  /** One step less another. */
  less(a: (t: number) => Expression, b: (t: number) => Expression): (t: number) => Expression {
    return (t) => operation(a(t), this.run.model.remove, b(t))
  }

  at(step: string): (t: number) => Expression {
    return (t) => this.cell(step, t)
  }

  /** Factors before they are centred, and the season that they make. */
  season({ step, raw, label, from, si, used, values }: SeasonOf): void {
    const { run } = this
    const words =
      used === 'stable' ? 'mean of all years' : `${used.replace('x', '×')} over the years`
    this.add(raw, {
      ...{ label: `${label}, not centred`, means: words, kind: 'season' },
      values: rawFactors(run.taken.frame, si, used),
      arithmetic: seasonRaw(run, this.column(from), si, used),
    })
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
