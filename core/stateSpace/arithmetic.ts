import type { InitialStates, SmoothingForm, Weights } from './forms'
import type { Column } from '../column/column'
import { figureOf, operation, plain, type Expression } from '../column/expression'
import type { Run } from '../column/run'

/** A smoothing whose states stand in the ledger, and what their columns are called there. */
export interface SmoothingCells {
  readonly form: SmoothingForm
  readonly weights: Weights
  readonly initial: InitialStates
  /** Column that is smoothed, and the first period of it. */
  readonly of: string
  readonly from: number
  readonly level: string
  readonly slope: string
  readonly season: string
}

/** The arithmetic of a smoothing, cell by cell: each state from those of the period before, at the start from figures of their own. */
export interface SmoothingArithmetic {
  level(t: number): Expression
  slope(t: number): Expression
  /** In the past revised by the value; ahead that of the year before. */
  season(t: number): Expression
  seasonBefore(t: number): Expression
  /** What the periods before say of a period, without its season. */
  before(t: number): Expression
  /** Level and slope carried on to a period ahead. */
  reached(t: number): Expression
  /** Puts a season to a level. */
  inSeason(level: Expression, season: Expression | null): Expression
}

const GREEK = { alpha: 'α', beta: 'β', gamma: 'γ' } as const

/**
 * The arithmetic of states, as Holt and Winters wrote it: weight × what the newest value says + the rest × what was.
 *
 * @example level: α × (value − season of last year) + (1 − α) × (level + slope)
 */
export function smoothingArithmetic(run: Run, names: SmoothingCells): SmoothingArithmetic {
  const { form, weights, initial, of, from } = names
  const adds = form.season === 'additive'
  const grows = form.trend === 'multiplicative'
  const m = initial.season?.length ?? 0
  const weight = (name: keyof typeof GREEK) => figureOf(GREEK[name], weights[name] ?? 0)
  const rest = (name: keyof typeof GREEK) =>
    figureOf(`(1 − ${GREEK[name]})`, 1 - (weights[name] ?? 0))
  const blend = (name: keyof typeof GREEK, fresh: Expression, old: Expression) =>
    operation(operation(weight(name), '×', fresh), '+', operation(rest(name), '×', old))
  const isMissing = (t: number) => run.value(of, t) === null
  const value = (t: number) => run.cell(of, t)

  const levelBefore = (t: number) =>
    t === from ? figureOf('initial level', initial.level) : run.cell(names.level, t - 1)
  const slopeBefore = (t: number) =>
    t === from ? figureOf('initial slope', initial.trend ?? 0) : run.cell(names.slope, t - 1)
  const seasonBefore = (t: number): Expression =>
    t - from < m
      ? figureOf(`initial season (${run.label(t)})`, initial.season![t - from]!)
      : run.cell(names.season, t - m)
  const base = (t: number) =>
    form.trend === 'damped'
      ? operation(figureOf('φ', weights.phi ?? 1), '×', slopeBefore(t))
      : slopeBefore(t)
  const before = (t: number): Expression => {
    if (form.trend === 'none') return levelBefore(t)
    return grows
      ? operation(levelBefore(t), '×', slopeBefore(t))
      : operation(levelBefore(t), '+', base(t))
  }
  /** A value as its season leaves it. */
  const own = (t: number) =>
    form.season === 'none' ? value(t) : operation(value(t), adds ? '−' : '÷', seasonBefore(t))

  return {
    seasonBefore,
    before,
    level: (t) => (isMissing(t) ? before(t) : blend('alpha', own(t), before(t))),
    slope: (t) => {
      const old = grows ? slopeBefore(t) : base(t)
      if (isMissing(t)) return old
      const change = operation(run.cell(names.level, t), grows ? '÷' : '−', levelBefore(t))
      return blend('beta', change, old)
    },
    season: (t) => {
      if (t > run.lastT || isMissing(t)) return seasonBefore(t)
      const departs = operation(value(t), adds ? '−' : '÷', run.cell(names.level, t))
      return blend('gamma', departs, seasonBefore(t))
    },
    reached: (t) => {
      const level = run.cell(names.level, run.lastT)
      if (form.trend === 'none') return level
      const slope = run.cell(names.slope, run.lastT)
      const h = t - run.lastT
      if (grows) return operation(level, '×', { kind: 'power', of: slope, power: h })
      const phi = weights.phi ?? 1
      const sum = Array.from({ length: h }, (_, i) => phi ** (i + 1)).reduce((a, b) => a + b, 0)
      const steps = form.trend === 'damped' ? figureOf(`(φ + … + φ^${h})`, sum) : plain(h)
      return operation(level, '+', operation(steps, '×', slope))
    },
    inSeason: (level, season) => (season ? operation(level, adds ? '+' : '×', season) : level),
  }
}

/** What the rows of level and slope have in common, wherever they stand. */
export function slopeWords(
  { trend }: SmoothingForm,
  per: string,
): Pick<Column, 'means' | 'measure'> {
  return trend === 'multiplicative'
    ? { means: `factor a ${per}`, measure: 'factor' }
    : { means: `change a ${per}`, measure: 'difference' }
}
