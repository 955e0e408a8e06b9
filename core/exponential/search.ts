import { Matrix, QrDecomposition } from 'ml-matrix'
import type { Value } from '../series/series'
import {
  BOUNDS,
  freeStates,
  weightsOf,
  type InitialStates,
  type SmoothingForm,
  type WeightName,
  type Weights,
} from './forms'
import type { RuleStates } from './initial'
import { criteriaOf, likelihoodOf, type Criteria, type Likelihood } from './likelihood'
import { minimise, type Effort, type Minimum, type Problem } from './quasiNewton'
import { packStates, packWeights, runnerOf, type Runner } from './recursion'

/** What is free: weights that are not fixed, and the initial states where they are chosen. */
export interface Wished {
  readonly weights: Weights
  /** Chosen together with the weights, or as they are given (by the rule, or by hand). */
  readonly initial: 'chosen' | InitialStates
}

/** A smoothing with everything chosen that was to be chosen. */
export interface ChosenSmoothing extends Likelihood, Criteria {
  readonly form: SmoothingForm
  readonly weights: Weights
  readonly initial: InitialStates
  readonly observed: number
  readonly sse: number
  /** Σ(e/μ)², of proportional errors. */
  readonly sseRelative: Value
  /** Of errors, or of relative ones; undefined where nothing is left to estimate it from. */
  readonly sigma2: Value
  /** Weights that change nothing where the others are. */
  readonly withoutEffect: readonly WeightName[]
  /** Weights that the search put at a bound. */
  readonly atBound: readonly WeightName[]
}

/** A weight this near a bound is tried on it. */
const NEAR_BOUND = 0.005
/** Rough searches, of which the best are followed further, and the best of those to the end. */
const ROUGH: Effort = { most: 12, enough: 0.2, sides: 1 }
const CLOSE: Effort = { most: 100, enough: 1e-2, sides: 1 }
const FINE: Effort = { most: 200, enough: 1e-4, sides: 2 }
const FOLLOWED = 3
const START_WEIGHTS: Readonly<Record<WeightName, readonly number[]>> = {
  alpha: [0.1, 0.35, 0.75],
  beta: [0.05, 0.3],
  gamma: [0.05, 0.35],
  phi: [0.93],
}

/**
 * Weights and initial states with the highest likelihood.
 *
 * The criterion has several minima as a rule, one with a weight of 0 beside one with a larger one. So the search starts
 * from several weights, and from every face on which some weights are held at 0 or 1; the best of these rough searches
 * are followed to the end. A weight that ends within 0.005 of a bound is put on it if the criterion is no worse.
 *
 * @param rule initial states by the rule, which every search starts from
 */
export function chooseSmoothing(
  values: readonly Value[],
  form: SmoothingForm,
  seasons: number,
  rule: RuleStates,
  { weights: fixed, initial }: Wished,
): ChosenSmoothing {
  const runner = runnerOf(values, form, seasons)
  const names = weightsOf(form)
  const free = names.filter((name) => fixed[name] === undefined)
  const given = initial === 'chosen' ? null : initial
  const space = spaceOf(runner, names, free, fixed, given, rule.states)
  const found = space.size === 0 ? space.start(fixed) : best(space, free)
  const settled = ontoBounds(space, free, found)
  const { weights, states } = space.unpack(settled)
  const exact = given === null ? exactStates(values, form, seasons, weights, states) : states
  return report(runner, form, weights, exact, names, free, given === null)
}

/** The coordinates of a search: free weights, then level, trend and all seasons but the last. */
interface Space extends Problem {
  readonly size: number
  readonly free: readonly WeightName[]
  start(weights: Weights): Float64Array
  unpack(x: Float64Array): { readonly weights: Weights; readonly states: InitialStates }
}

function spaceOf(
  runner: Runner,
  names: readonly WeightName[],
  free: readonly WeightName[],
  fixed: Weights,
  given: InitialStates | null,
  rule: InitialStates,
): Space {
  const { form, seasons } = runner
  const count = given ? 0 : freeStates(form, seasons)
  const hasTrend = form.trend !== 'none'
  const hasSeason = form.season !== 'none'
  const packed = packWeights(Object.fromEntries(names.map((name) => [name, fixed[name] ?? 0])))
  const states = packStates(given ?? rule)
  const total = form.season === 'multiplicative' ? seasons : 0
  const places = free.map((name) => ['alpha', 'beta', 'gamma', 'phi'].indexOf(name))
  const spread = spreadOf(runner, packed, rule)
  const level = Math.max(Math.abs(rule.level), spread)
  const scale = Float64Array.from([
    ...free.map((name) => (name === 'phi' ? 0.05 : 0.2)),
    ...(given
      ? []
      : [
          spread,
          ...(hasTrend ? [form.trend === 'multiplicative' ? spread / level / 8 : spread / 8] : []),
          ...(hasSeason
            ? Array<number>(seasons - 1).fill(
                form.season === 'multiplicative' ? spread / level : spread,
              )
            : []),
        ]),
  ])
  const size = free.length + count

  /** Puts a point into the weights and states of the next pass. */
  function place(x: Float64Array): void {
    for (let i = 0; i < free.length; i++) packed[places[i]!] = x[i]!
    if (given) return
    let i = free.length
    states[0] = x[i++]!
    if (hasTrend) states[1] = x[i++]!
    if (!hasSeason) return
    let sum = 0
    for (let k = 0; k < seasons - 1; k++) {
      states[2 + k] = x[i + k]!
      sum += x[i + k]!
    }
    states[1 + seasons] = total - sum
  }

  return {
    size,
    free,
    scale,
    least: bounds(0, -Infinity),
    most: bounds(1, Infinity),
    value: (x) => {
      place(x)
      if (!runner.run(packed, states)) return Infinity
      // A perfect fit would be −∞; it is the lowest that there is.
      return likelihoodOf(runner).minus2LogLikelihood ?? -1e300
    },
    start: (weights) =>
      Float64Array.from([
        ...free.map((name) => weights[name]!),
        ...(given
          ? []
          : [rule.level, ...(hasTrend ? [rule.trend!] : []), ...(rule.season?.slice(0, -1) ?? [])]),
      ]),
    unpack: (x) => {
      place(x)
      return {
        weights: Object.fromEntries(
          names.map((name) => [name, packed[['alpha', 'beta', 'gamma', 'phi'].indexOf(name)]!]),
        ),
        states: given ?? {
          level: states[0]!,
          ...(hasTrend ? { trend: states[1]! } : {}),
          ...(hasSeason ? { season: [...states.slice(2, 2 + seasons)] } : {}),
        },
      }
    },
  }

  function bounds(end: 0 | 1, beyond: number): Float64Array {
    return Float64Array.from([
      ...free.map((name) => BOUNDS[name][end]),
      ...Array<number>(count).fill(beyond),
    ])
  }
}

/** About the size of an error of one step: what states are moved by. */
function spreadOf(runner: Runner, packed: Float64Array, rule: InitialStates): number {
  const weights = packed.map((weight, i) => (i === 3 ? weight || 0.9 : weight || 0.2))
  const isAdmissible = runner.run(weights, packStates(rule))
  const spread = Math.sqrt(runner.sums.sse / Math.max(1, runner.observed))
  return isAdmissible && spread > 0 ? spread : Math.abs(rule.level) / 20 || 1
}

/** Rough searches from all starts, then the best of them to the end. */
function best(space: Space, free: readonly WeightName[]): Float64Array {
  const usual = Object.fromEntries(free.map((name) => [name, START_WEIGHTS[name][0]!]))
  const roughs: Minimum[] = []
  const seek = (x: Float64Array, held: ReadonlySet<WeightName>) => {
    const rough = minimise(holding(space, x, held), x, ROUGH)
    if (Number.isFinite(rough.value)) roughs.push(rough)
  }
  for (const weights of startsOf(free)) seek(space.start(weights), new Set())
  for (const face of facesOf(free))
    seek(space.start({ ...usual, ...face }), new Set(Object.keys(face) as WeightName[]))
  if (roughs.length === 0) return space.start(usual)
  const distinct: Minimum[] = []
  for (const rough of roughs.sort((a, b) => a.value - b.value)) {
    if (distinct.length >= FOLLOWED) break
    if (distinct.every((other) => isElsewhere(space, rough, other))) distinct.push(rough)
  }
  const closer = distinct.map(({ x }) => minimise(space, x, CLOSE))
  const lowest = closer.reduce((least, one) => (one.value < least.value ? one : least))
  return minimise(space, lowest.x, FINE).x
}

/** Whether a minimum has other weights. */
function isElsewhere({ free }: Space, a: Minimum, b: Minimum): boolean {
  return free.some((_, i) => Math.abs(a.x[i]! - b.x[i]!) > 0.02)
}

/** The same search with some weights held where a point has them. */
function holding(space: Space, x: Float64Array, held: ReadonlySet<WeightName>): Problem {
  if (held.size === 0) return space
  const fix = (own: Float64Array) =>
    own.map((bound, i) => (i < space.free.length && held.has(space.free[i]!) ? x[i]! : bound))
  return { ...space, least: fix(space.least), most: fix(space.most) }
}

/** Every combination of some weights to start from. */
function startsOf(free: readonly WeightName[]): Weights[] {
  return free.reduce<Weights[]>(
    (all, name) =>
      all.flatMap((weights) => START_WEIGHTS[name].map((at) => ({ ...weights, [name]: at }))),
    [{}],
  )
}

/** Faces on which one or more weights lie at 0, and those on which one lies at 1; damping stays free. */
function facesOf(free: readonly WeightName[]): Weights[] {
  const held = free.filter((name) => name !== 'phi')
  const zeros = held
    .reduce<Weights[]>(
      (all, name) => [...all, ...all.map((face) => ({ ...face, [name]: 0 }))],
      [{}],
    )
    .slice(1)
  return [...zeros, ...held.map((name) => ({ [name]: 1 }))]
}

/** Puts weights that lie near a bound on it, the rest chosen again, where the criterion is no worse. */
function ontoBounds(space: Space, free: readonly WeightName[], found: Float64Array): Float64Array {
  let x = found
  let value = space.value(x)
  free.forEach((name, i) => {
    for (const bound of BOUNDS[name]) {
      if (x[i] === bound || Math.abs(x[i]! - bound) > NEAR_BOUND) continue
      const there = Float64Array.from(x)
      there[i] = bound
      const again = minimise(holding(space, there, new Set([name])), there, FINE)
      if (again.value <= value + 1e-9 * Math.abs(value)) {
        x = again.x
        value = again.value
      }
    }
  })
  return x
}

/**
 * With additive parts throughout and errors of one size, fitted values are linear in the initial states: for the weights
 * that were chosen those are then a regression, and exact.
 */
function exactStates(
  values: readonly Value[],
  form: SmoothingForm,
  seasons: number,
  weights: Weights,
  states: InitialStates,
): InitialStates {
  const isLinear =
    form.error === 'additive' && form.trend !== 'multiplicative' && form.season !== 'multiplicative'
  if (!isLinear) return states
  const runner = runnerOf(values, form, seasons)
  const packed = packWeights(weights)
  const hasTrend = form.trend !== 'none'
  const units: InitialStates[] = [
    { level: 1, trend: 0, season: Array<number>(seasons).fill(0) },
    ...(hasTrend ? [{ level: 0, trend: 1, season: Array<number>(seasons).fill(0) }] : []),
    ...(form.season === 'none'
      ? []
      : Array.from({ length: seasons - 1 }, (_, k) => ({
          level: 0,
          trend: 0,
          season: Array.from({ length: seasons }, (_, j) =>
            j === k ? 1 : j === seasons - 1 ? -1 : 0,
          ),
        }))),
  ]
  const errorsFrom = (from: InitialStates) => {
    runner.run(packed, packStates(from))
    return [...runner.error].filter((e) => !Number.isNaN(e))
  }
  const none = errorsFrom({ level: 0, trend: 0, season: Array<number>(seasons).fill(0) })
  const columns = units.map((unit) => {
    const own = errorsFrom(unit)
    return own.map((e, i) => none[i]! - e)
  })
  const solved = solve(columns, none)
  if (!solved) return states
  const [level, ...rest] = solved
  const trend = hasTrend ? rest.shift() : undefined
  return {
    level: level!,
    ...(trend === undefined ? {} : { trend }),
    ...(form.season === 'none' ? {} : { season: [...rest, -rest.reduce((sum, s) => sum + s, 0)] }),
  }
}

/** Least squares without a constant; null where the states cannot be told from one another. */
function solve(columns: readonly number[][], y: readonly number[]): number[] | null {
  if (y.length < columns.length) return null
  const design = new Matrix(columns as number[][]).transpose()
  const factored = new QrDecomposition(design)
  return factored.isFullRank()
    ? factored.solve(Matrix.columnVector(y as number[])).to1DArray()
    : null
}

function report(
  runner: Runner,
  form: SmoothingForm,
  weights: Weights,
  initial: InitialStates,
  names: readonly WeightName[],
  free: readonly WeightName[],
  chosenStates: boolean,
): ChosenSmoothing {
  runner.run(packWeights(weights), packStates(initial))
  const { sums, observed, seasons } = runner
  const likelihood = likelihoodOf(runner)
  const k = 1 + free.length + (chosenStates ? freeStates(form, seasons) : 0)
  const isRelative = form.error === 'proportional'
  const left = observed - k + 1
  const withoutEffect = names.filter(
    (name) => (name === 'beta' && weights.alpha === 0) || (name === 'gamma' && weights.alpha === 1),
  )
  return {
    form,
    weights,
    initial,
    observed,
    sse: sums.sse,
    sseRelative: isRelative ? sums.sseRelative : null,
    sigma2: left > 0 ? (isRelative ? sums.sseRelative : sums.sse) / left : null,
    ...likelihood,
    ...criteriaOf(likelihood.minus2LogLikelihood, k, observed),
    withoutEffect,
    atBound: free.filter(
      (name) =>
        !withoutEffect.includes(name) && BOUNDS[name].some((bound) => weights[name] === bound),
    ),
  }
}
