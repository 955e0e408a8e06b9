import { z } from 'zod'
import { periodAt } from '../../core/calendar/period'
import type { Value } from '../../core/series'
import { compositeAverage, compositeWeights } from '../../core/smoothing/compositeAverage'
import {
  centredAverage,
  offCentreAverages,
  offCentrePosition,
} from '../../core/smoothing/movingAverage'
import { rollingDeviation, trailingAverage, withinSeasonMean } from '../../core/smoothing/rolling'
import { centredWeights, leavesSeason, seasonalGain } from '../../core/smoothing/seasonalGain'
import {
  henderson,
  requireWeights,
  SPENCER,
  weightedAverage,
} from '../../core/smoothing/weightedAverage'
import { readInput, seriesInput } from './input'

const order = z.int().min(1)
const schema = z.intersection(
  seriesInput,
  z.discriminatedUnion('method', [
    z.object({ method: z.literal('centred'), order }),
    z.object({ method: z.literal('composite'), p: order, q: order }),
    z.object({ method: z.literal('trailing'), order }),
    z.object({ method: z.literal('rolling-sd'), order }),
    z.object({
      method: z.literal('within-season'),
      order,
      alignment: z.enum(['trailing', 'centred']),
    }),
    z.object({ method: z.literal('spencer') }),
    z.object({ method: z.literal('henderson'), length: z.int() }),
    z.object({ method: z.literal('weights'), weights: z.array(z.number()).min(1) }),
  ]),
)

/** A moving average of a series, with its weights and the season it leaves. */
export function calcMovingAverage(input: unknown): unknown {
  const read = readInput(schema, input)
  const { y, m } = read
  const weighted = (weights: readonly number[]) => withGain(weightedAverage(y, weights), weights, m)
  switch (read.method) {
    case 'centred':
      return {
        ...(read.order % 2 === 0 ? { before_centring: beforeCentring(y, read.order) } : {}),
        ...withGain(centredAverage(y, read.order), centredWeights(read.order), m),
      }
    case 'composite':
      return withGain(compositeAverage(y, read.p, read.q), compositeWeights(read.p, read.q), m)
    case 'trailing': {
      const weights = Array.from({ length: read.order }, () => 1 / read.order)
      return withGain(trailingAverage(y, read.order), weights, m)
    }
    case 'rolling-sd':
      return { value: rollingDeviation(y, read.order) }
    case 'within-season':
      return {
        season: y.map((_, i) => periodAt(read.start, i + 1, m).season),
        value: withinSeasonMean(y, m, read.order, read.alignment),
      }
    case 'spencer':
      return weighted(SPENCER)
    case 'henderson':
      return weighted(henderson(read.length))
    case 'weights':
      requireWeights(read.weights)
      return weighted(read.weights)
  }
}

function withGain(value: readonly Value[], weights: readonly number[], seasons: number) {
  const gain = seasonalGain(weights, seasons)
  return { value, weights, gain, leaves_season: leavesSeason(gain) }
}

/** Averages of an even order with the half periods they stand at. */
export function beforeCentring(y: readonly Value[], order: number, firstT = 1) {
  const whole = offCentreAverages(y, order).slice(0, Math.max(0, y.length - order + 1))
  return { position: whole.map((_, i) => offCentrePosition(firstT + i, order)), value: whole }
}
