import type { Stretch } from '../../series/stretch'
import { stabilityByRefit } from '../stability'
import type { Stability } from '../way'
import { decomposeLoess } from './calculate'
import type { LoessOptions } from './options'

const FEWEST_YEARS = 2

/** How much the season hangs on the year at either end. */
export function stabilityOfLoess(
  stretch: Stretch,
  options: LoessOptions,
  leftOut: ReadonlySet<number>,
): Stability {
  return stabilityByRefit(
    stretch,
    leftOut,
    FEWEST_YEARS,
    (shorter) => decomposeLoess(shorter, options, leftOut).season!.indices,
  )
}
