import { MOVING_WAY } from '../decompose/ways'
import { benchmarkChange, DAMPED_SMOOTHING, REGRESSION } from '../forecast/ways'
import type { MethodChange } from '../finding'
import { changed, METHOD_FORMAT, type MethodDocument } from '../method'
import { LINE, smoothedChange } from '../trend/formChange'

/** A method that a catalogue can be worked through by, under a name that suits any series. */
export interface NamedMethod {
  readonly says: string
  readonly method: MethodDocument
}

const named = (says: string, change: MethodChange): NamedMethod => ({
  says,
  method: changed({ format: METHOD_FORMAT }, change),
})

/**
 * Six methods that are wrong in different ways: a contest of theirs finds for each of thousands of series one that suits it, in a
 * fraction of the time that all methods would take. What they leave open goes by the series: its rhythm, and its model.
 */
export const USUAL_CONTEST: readonly NamedMethod[] = [
  named('averages and a straight line', LINE),
  named('averages and a smoothed level', smoothedChange('damped')),
  named('robust loess and a smoothed level', { ...MOVING_WAY.change, ...smoothedChange('damped') }),
  named('smoothing of the values', DAMPED_SMOOTHING),
  named('regression on trend and seasons', REGRESSION),
  named('last year repeated', benchmarkChange('lastYear')),
]
