import { z } from 'zod'
import { Refusal } from '../../core/refusal'
import {
  centredAverage,
  offCentreAverages,
  offCentrePosition,
} from '../../core/smoothing/movingAverage'
import { centredWeights, leavesSeason, seasonalGain } from '../../core/smoothing/seasonalGain'
import { readInput, seriesInput } from './input'

const schema = seriesInput.extend({
  method: z.string(),
  order: z.int().min(1).optional(),
})

/** A moving average of a series, with its weights and the season it leaves. */
export function calcMovingAverage(input: unknown): unknown {
  const { method, order, y, m } = readInput(schema, input)
  if (method !== 'centred' || order === undefined) {
    throw new Refusal(`The moving average "${method}" is not available in this version.`, 'method')
  }
  const weights = centredWeights(order)
  const gain = seasonalGain(weights, m)
  return {
    ...(order % 2 === 0 ? { before_centring: beforeCentring(y, order) } : {}),
    value: centredAverage(y, order),
    weights,
    gain,
    leaves_season: leavesSeason(gain),
  }
}

/** Averages of an even order with the half periods they stand at. */
export function beforeCentring(y: readonly (number | null)[], order: number, firstT = 1) {
  const whole = offCentreAverages(y, order).slice(0, Math.max(0, y.length - order + 1))
  return { position: whole.map((_, i) => offCentrePosition(firstT + i, order)), value: whole }
}
