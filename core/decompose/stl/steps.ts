import type { Extent } from '../../work/extent'
import type { StlParameters } from './windows'

/** Neighbours that a fit looks at take about so many steps each. */
const STEPS_A_NEIGHBOUR = 8

/** About how many multiplications the passes of one decomposition by loess take. */
export function stepsOfPasses(
  { windows, inner, outer }: StlParameters,
  { periods, seasons }: Extent,
): number {
  const cycles = Math.ceil(periods / seasons)
  const { seasonal, trend, lowPass } = windows
  const neighbours =
    Math.min(seasonal, cycles) + Math.min(trend, periods) + Math.min(lowPass, periods)
  return STEPS_A_NEIGHBOUR * periods * neighbours * inner * (outer + 1)
}
