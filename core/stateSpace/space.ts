import {
  BOUNDS,
  freeStates,
  WEIGHT_NAMES,
  type InitialStates,
  type WeightName,
  type Weights,
} from './forms'
import { likelihoodOf } from './likelihood'
import type { Problem } from './quasiNewton'
import { packStates, packWeights, type Runner } from './recursion'
import { slopesOf } from './slopes'

/** The coordinates of a search: free weights, then level, trend and all seasons but the last. */
export interface Space extends Problem {
  readonly size: number
  readonly free: readonly WeightName[]
  start(weights: Weights): Float64Array
  unpack(x: Float64Array): { readonly weights: Weights; readonly states: InitialStates }
}

/**
 * The space of a search.
 *
 * @param given initial states that stay as they are; null where they are chosen too
 * @param rule initial states by the rule, which the search starts from
 */
export function spaceOf(
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
  const places = free.map((name) => WEIGHT_NAMES.indexOf(name))
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
  /** Where the last pass was run. */
  const ran = new Float64Array(size).fill(NaN)
  const slopes = { weights: new Float64Array(4), states: new Float64Array(states.length) }

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

  /** Runs a pass at a point, and remembers which. */
  function ranAt(x: Float64Array): boolean {
    place(x)
    ran.set(x)
    return runner.run(packed, states)
  }

  return {
    size,
    free,
    scale,
    least: bounds(0, -Infinity),
    most: bounds(1, Infinity),
    value: (x) => {
      if (!ranAt(x)) return Infinity
      // A perfect fit would be −∞; it is the lowest that there is.
      return likelihoodOf(runner).minus2LogLikelihood ?? -1e300
    },
    slopes: (x, into) => {
      // A search asks for the slopes where it has just asked for the value: that pass will do.
      if (x.some((own, i) => own !== ran[i])) ranAt(x)
      slopesOf(runner, packed, slopes)
      let i = 0
      for (const at of places) into[i++] = slopes.weights[at]!
      if (given) return
      into[i++] = slopes.states[0]!
      if (hasTrend) into[i++] = slopes.states[1]!
      if (!hasSeason) return
      // The last season makes up for the others.
      const last = slopes.states[1 + seasons]!
      for (let k = 0; k < seasons - 1; k++) into[i++] = slopes.states[2 + k]! - last
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
          names.map((name) => [name, packed[WEIGHT_NAMES.indexOf(name)]!]),
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
