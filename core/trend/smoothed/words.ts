import type { Piece } from '../../word'
import { smoothedChange } from '../formChange'
import type { SmoothedTrendOptions } from './options'
import { SLOPE_SAYS, TREND_SMOOTHINGS } from './slope'

/** ` with a damped slope` */
export function smoothedWords({ smoothing }: SmoothedTrendOptions): Piece[] {
  const choices = TREND_SMOOTHINGS.map((one) => ({
    ...SLOPE_SAYS[one],
    chosen: one === smoothing,
    change: smoothedChange(one),
  }))
  return [' ', { id: 'slope', text: SLOPE_SAYS[smoothing].text, ask: { kind: 'pick', choices } }]
}
