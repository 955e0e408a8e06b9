import type { Value } from '../series/series'
import { brokenPass, WITHOUT_HORIZON, type Reach } from './admissible'
import { exactStates } from './exactStates'
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
import { spaceOf, type Space } from './space'

/** What is free: weights that are not fixed, and the initial states where they are chosen. */
export interface Wished {
  readonly weights: Weights
  /** Chosen together with the weights, or as they are given (by the rule, or by hand). */
  readonly initial: 'chosen' | InitialStates
  /** Where the best weights are known to lie about: they are looked for from there alone, unless it is not admissible. */
  readonly near?: Weights | undefined
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
const ROUGH: Effort = { most: 12, enough: 0.2 }
const CLOSE: Effort = { most: 100, enough: 1e-2 }
const FINE: Effort = { most: 200, enough: 1e-4 }
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
 * @param reach how far ahead the conditions of the form must be kept
 * @throws Refusal where they cannot be kept: with what is given, or wherever the search looked
 */
export function chooseSmoothing(
  values: readonly Value[],
  form: SmoothingForm,
  seasons: number,
  rule: RuleStates,
  { weights: fixed, initial, near }: Wished,
  reach: Reach = WITHOUT_HORIZON,
): ChosenSmoothing {
  const runner = runnerOf(values, form, seasons, reach.horizon)
  const names = weightsOf(form)
  const free = names.filter((name) => fixed[name] === undefined)
  const given = initial === 'chosen' ? null : initial
  const space = spaceOf(runner, names, free, fixed, given, rule.states)
  const found = space.size === 0 ? space.start(fixed) : best(space, free, near)
  const settled = ontoBounds(space, free, found)
  const { weights, states } = space.unpack(settled)
  const exact = given === null ? exactStates(values, form, seasons, weights, states) : states
  if (!runner.run(packWeights(weights), packStates(exact))) throw brokenPass(runner, reach)
  return report(runner, form, weights, exact, names, free, given === null)
}

/** Rough searches from all starts, then the best of them to the end; where it is known to lie about, from there at once. */
function best(space: Space, free: readonly WeightName[], near?: Weights): Float64Array {
  if (near && free.every((name) => near[name] !== undefined)) {
    const there = minimise(space, space.start(near), FINE)
    if (Number.isFinite(there.value)) return there.x
  }
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

/** @param runner after the pass with these weights and states */
function report(
  runner: Runner,
  form: SmoothingForm,
  weights: Weights,
  initial: InitialStates,
  names: readonly WeightName[],
  free: readonly WeightName[],
  chosenStates: boolean,
): ChosenSmoothing {
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
