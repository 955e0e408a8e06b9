import type { Value } from '../series/series'
import { BOUNDS, weightsOf, type WeightName } from './forms'
import { likelihoodOf } from './likelihood'
import { packStates, packWeights, runnerOf } from './recursion'
import type { ChosenSmoothing } from './search'

/** How the criterion moves along one weight, everything else as it was chosen. */
export interface WeightSection {
  readonly name: WeightName
  /** Where the weight was chosen. */
  readonly optimum: number
  /** Weights from one bound to the other, evenly spaced. */
  readonly at: readonly number[]
  /** −2 ln L above its lowest on the section; undefined where the smoothing is not admissible. */
  readonly above: readonly Value[]
  /** The weights that are as good: within {@link AS_GOOD} of the lowest, around the optimum. */
  readonly asGood: readonly [from: number, to: number]
}

/** Differences of −2 ln L below this tell nothing: one number more would cost as much in AIC. */
const AS_GOOD = 2
const PLACES = 61

/**
 * The criterion along each weight, the others and the initial states held where they were chosen: how sharp the choice is.
 *
 * What was chosen is the lowest point of its section, since it is the lowest of all; what was fixed need not be.
 *
 * @param chosen the weights that the others are held at
 * @param horizon periods ahead that must keep the conditions of the form too
 */
export function weightSections(
  values: readonly Value[],
  seasons: number,
  { form, weights, initial }: ChosenSmoothing,
  horizon = 0,
): WeightSection[] {
  const runner = runnerOf(values, form, seasons, horizon)
  const states = packStates(initial)
  return weightsOf(form).map((name) => {
    const [least, most] = BOUNDS[name]
    const optimum = weights[name]!
    const at = Array.from({ length: PLACES }, (_, i) => least + ((most - least) * i) / (PLACES - 1))
    const criterionAt = (weight: number): Value =>
      runner.run(packWeights({ ...weights, [name]: weight }), states)
        ? likelihoodOf(runner).minus2LogLikelihood
        : null
    const own = at.map(criterionAt)
    const lowest = own.reduce<Value>(
      (low, value) => (value !== null && (low === null || value < low) ? value : low),
      criterionAt(optimum),
    )
    const above = own.map((value) => (value === null || lowest === null ? null : value - lowest))
    return { name, optimum, at, above, asGood: asGoodAround(optimum, at, above) }
  })
}

/** The stretch of weights around the optimum that are within {@link AS_GOOD}, to the nearest place. */
function asGoodAround(
  optimum: number,
  at: readonly number[],
  above: readonly Value[],
): [number, number] {
  const isGood = (i: number) => above[i] !== undefined && above[i] !== null && above[i] <= AS_GOOD
  let below = at.findLastIndex((weight) => weight <= optimum)
  let beyond = at.findIndex((weight) => weight >= optimum)
  let [from, to] = [optimum, optimum]
  while (isGood(below)) from = at[below--]!
  while (isGood(beyond)) to = at[beyond++]!
  return [from, to]
}
