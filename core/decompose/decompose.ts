import type { LoessMethod, Method } from '../method'
import type { Stretch } from '../series/stretch'
import { decomposeByLoess, type LoessDetail } from './loess/calculate'
import { decomposeClassically } from './averages/calculate'
import type { Decomposition } from './decomposition'
import { stlParameters, type StlParameters } from './loess/stl/windows'

/** A decomposition, with its detail when it was made by loess. */
export type AnyDecomposition = Decomposition & { readonly loess: LoessDetail | null }

/**
 * Takes a stretch apart in the way that a method says.
 *
 * @param how the method's part on decomposition, complete
 * @param exclude time codes that are left out
 * @throws Refusal as the decompositions do
 */
export function decompose(
  stretch: Stretch,
  how: Method['decompose'],
  exclude: ReadonlySet<number>,
): AnyDecomposition {
  return how.by === 'stl'
    ? decomposeByLoess(stretch, how.model, parametersOf(how, stretch), exclude)
    : { ...decomposeClassically(stretch, { ...how, exclude }), loess: null }
}

function parametersOf(how: LoessMethod, { values, calendar }: Stretch): StlParameters {
  return stlParameters(how, values.length, calendar.seasons)
}
