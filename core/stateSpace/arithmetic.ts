import type { InitialStates, SmoothingForm, Weights } from './forms'
import type { Column } from '../column/column'
import { figureOf, operation, parameterOf, plain, type Expression } from '../column/expression'
import { evaluate } from '../column/kinds/kinds'
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

const GREEK = { alpha: 'α', beta: 'β', gamma: 'γ', phi: 'φ' } as const

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
  const weight = (name: 'alpha' | 'beta' | 'gamma') => weightOf(name, weights)
  const rest = (name: 'alpha' | 'beta' | 'gamma') =>
    figureOf(
      `(1 − ${GREEK[name]})`,
      1 - (weights[name] ?? 0),
      operation(plain(1), '−', weight(name)),
    )
  const blend = (name: 'alpha' | 'beta' | 'gamma', fresh: Expression, old: Expression) =>
    operation(operation(weight(name), '×', fresh), '+', operation(rest(name), '×', old))
  const isMissing = (t: number) => run.value(of, t) === null
  const value = (t: number) => run.cell(of, t)

  const levelBefore = (t: number) =>
    t === from ? parameterOf('initial level', initial.level) : run.cell(names.level, t - 1)
  const slopeBefore = (t: number) =>
    t === from ? parameterOf('initial slope', initial.trend ?? 0) : run.cell(names.slope, t - 1)
  const seasonBefore = (t: number): Expression =>
    t - from < m
      ? parameterOf(`initial season (${run.label(t)})`, initial.season![t - from]!)
      : run.cell(names.season, t - m)
  const base = (t: number) =>
    form.trend === 'damped'
      ? operation(weightOf('phi', weights), '×', slopeBefore(t))
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
      const steps = form.trend === 'damped' ? dampedSteps(weights, h) : plain(h)
      return operation(level, '+', operation(steps, '×', slope))
    },
    inSeason: (level, season) => (season ? operation(level, adds ? '+' : '×', season) : level),
  }
}

function weightOf(name: keyof typeof GREEK, weights: Weights): Expression {
  return parameterOf(GREEK[name], weights[name] ?? (name === 'phi' ? 1 : 0))
}

/** φ + φ² + … + φ^h: how far a damped slope has gone by then. */
function dampedSteps(weights: Weights, h: number): Expression {
  const phi = weightOf('phi', weights)
  const powers = Array.from({ length: h }, (_, i): Expression => ({
    kind: 'power',
    of: phi,
    power: i + 1,
  }))
  const made = powers.reduce((sum, power) => operation(sum, '+', power))
  return figureOf(`(φ + … + φ^${h})`, evaluate(made), made)
}

/**
 * The variance of each forecast as a multiple of σ², 1 + Σ c²: c is what an error of j periods before is still worth,
 * α(1 + β × steps) and after whole years γ(1 − α) more.
 *
 * @param seasons m
 * @returns the factor after a number of periods, the first 1
 */
export function varianceFactorArithmetic(
  { trend, season }: SmoothingForm,
  weights: Weights,
  seasons: number,
): (periods: number) => Expression {
  const one = plain(1)
  const alpha = weightOf('alpha', weights)
  const carried = (j: number): Expression => {
    const steps = trend === 'damped' ? dampedSteps(weights, j) : plain(j)
    const level =
      trend === 'none'
        ? alpha
        : operation(
            alpha,
            '×',
            operation(one, '+', operation(weightOf('beta', weights), '×', steps)),
          )
    if (season === 'none' || j % seasons !== 0) return level
    const rest = operation(weightOf('gamma', weights), '×', operation(one, '−', alpha))
    return operation(level, '+', rest)
  }
  const made: Expression[] = []
  return (periods) => {
    for (let h = made.length + 1; h <= periods; h++) {
      const sum =
        h === 1
          ? one
          : operation(made[h - 2]!, '+', { kind: 'power', of: carried(h - 1), power: 2 })
      made.push(figureOf(`variance factor, ${h}`, evaluate(sum), sum))
    }
    return made[periods - 1]!
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
