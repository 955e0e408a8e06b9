import { z } from 'zod'
import { axisOf } from '../../core/calendar/axis'
import type { Value } from '../../core/series/series'
import { smoothBy, type AverageKind } from '../../core/smoothing/averageKinds'
import { offCentreAverages, offCentrePosition } from '../../core/smoothing/movingAverage'
import { rollingDeviation, withinSeasonMean } from '../../core/smoothing/rolling'
import { readInput, seriesInput, seriesOf } from './input'

const order = z.int().min(1)
const choices = z.discriminatedUnion('method', [
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
  z.object({
    method: z.enum(['weights', 'trailing-weights']),
    weights: z.array(z.number()).min(1),
  }),
])
const schema = z.intersection(seriesInput, choices)

/** A moving average of a series, with its weights and the season it leaves. */
export function calcMovingAverage(input: unknown): unknown {
  const read = readInput(schema, input)
  const { y, m } = read
  switch (read.method) {
    case 'rolling-sd':
      return { value: rollingDeviation(y, read.order) }
    case 'within-season': {
      const { seasonOf } = axisOf(seriesOf(read))
      const season = y.map((_, i) => seasonOf(i + 1))
      return {
        season,
        value: withinSeasonMean(y, (i) => season[i]!, read.order, read.alignment),
      }
    }
    default: {
      const { values, weights, gain, leavesSeason } = smoothBy(y, kindOf(read), m)
      return {
        ...(read.method === 'centred' && read.order % 2 === 0
          ? { before_centring: beforeCentring(y, read.order) }
          : {}),
        value: values,
        weights,
        gain,
        leaves_season: leavesSeason,
      }
    }
  }
}

type Average = Exclude<z.infer<typeof choices>, { method: 'rolling-sd' | 'within-season' }>

function kindOf({ method, ...choice }: Average): AverageKind {
  return { kind: method, ...choice } as AverageKind
}

/** Averages of an even order with the half periods they stand at. */
export function beforeCentring(y: readonly Value[], order: number, firstT = 1) {
  const whole = offCentreAverages(y, order).slice(0, Math.max(0, y.length - order + 1))
  return { position: whole.map((_, i) => offCentrePosition(firstT + i, order)), value: whole }
}
