import { z } from 'zod'
import { decomposeByLoess } from '../../core/decompose/loess/calculate'
import { stlParameters } from '../../core/decompose/stl/windows'
import { strengthsOf } from '../../core/seasonality/strength'
import { loess } from '../../core/smoothing/loess'
import { Refusal } from '../../core/refusal'
import { stretchOf } from '../../core/series/stretch'
import { readInput, seriesOf } from './input'

const loessSchema = z.object({
  x: z.array(z.number()).min(1),
  y: z.array(z.number()),
  weights: z.array(z.number().min(0)).nullable().default(null),
  q: z.int().min(1),
  degree: z.union([z.literal(0), z.literal(1), z.literal(2)]),
  at: z.array(z.number()),
})

/** Local regression at given places. */
export function calcLoess(input: unknown): unknown {
  const { x, y, weights, q, degree, at } = readInput(loessSchema, input)
  if (y.length !== x.length || (weights && weights.length !== x.length)) {
    throw new Refusal('x, y and weights must have the same length.', 'y')
  }
  if (x.some((value, i) => i > 0 && value < x[i - 1]!)) {
    throw new Refusal('x must ascend.', 'x')
  }
  const fits = at.map((place) => loess({ x, y, ...(weights ? { weights } : {}) }, place, q, degree))
  return {
    fitted: fits.map(({ value }) => value),
    bandwidth: fits.map(({ bandwidth }) => bandwidth),
  }
}

const degree = z
  .union([z.literal(0), z.literal(1)])
  .nullable()
  .default(null)
const window = z.int().nullable().default(null)
const stlSchema = z.object({
  y: z.array(z.number().nullable()),
  m: z.int().min(2).max(1000),
  model: z.enum(['additive', 'multiplicative']),
  seasonalWindow: z.union([z.int(), z.literal('periodic')]),
  trendWindow: window,
  lowpassWindow: window,
  degrees: z.object({ seasonal: degree, trend: degree, lowpass: degree }),
  robust: z.boolean(),
  inner: z.int().min(1).max(100).nullable().default(null),
  outer: z.int().min(0).max(1000).nullable().default(null),
})

/** Decomposition by loess, with what its parameters came to. */
export function calcStl(input: unknown): unknown {
  const read = readInput(stlSchema, input)
  const parameters = stlParameters(
    {
      seasonalWindow: read.seasonalWindow,
      trendWindow: read.trendWindow ?? undefined,
      lowPassWindow: read.lowpassWindow ?? undefined,
      seasonalDegree: read.degrees.seasonal ?? undefined,
      trendDegree: read.degrees.trend ?? undefined,
      lowPassDegree: read.degrees.lowpass ?? undefined,
      robust: read.robust,
      inner: read.inner ?? undefined,
      outer: read.outer ?? undefined,
    },
    read.y.length,
    read.m,
  )
  const series = seriesOf({ unit: 'units', m: read.m, start: { cycle: 1, season: 1 }, y: read.y })
  const stretch = stretchOf(series, 1, read.y.length)
  const { trendCycle, index, irregular, taken } = decomposeByLoess(stretch, read.model, parameters)
  const strength = strengthsOf(read.model, {
    trend: trendCycle,
    seasonal: index,
    remainder: irregular,
  })
  const { windows, degrees, inner, outer } = parameters
  return {
    windows: { seasonal: windows.seasonal, trend: windows.trend, lowpass: windows.lowPass },
    degrees: { seasonal: degrees.seasonal, trend: degrees.trend, lowpass: degrees.lowPass },
    inner,
    outer,
    trend: trendCycle,
    seasonal: index,
    remainder: irregular,
    weights: taken.weights,
    strength: { trend: strength.trend, seasonal: strength.season },
  }
}
