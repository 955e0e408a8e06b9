import { z } from 'zod'
import { INDEX_AVERAGES } from '../core/decompose/averages/seasonalIndices'
import { MODELS } from '../core/model'
import {
  BACK_TRANSFORMS,
  DECOMPOSITIONS,
  FORECAST_WAYS,
  METHOD_FORMAT,
  MISSING_RULES,
  SEASON_FORMS,
  TREND_FORMS,
  type MethodDocument,
} from '../core/method'

const periodCode = z.string().min(1).max(20)
const reason = z.string().trim().min(1).max(500)
const degree = z.union([z.literal(0), z.literal(1)])
const window = z.int().min(1)

/**
 * The method document `elvant-method/1`. Every key of the format is known here, whether or not
 * this version can carry it out; an unknown key or a wrong type is refused with its path.
 */
export const methodSchema = z.strictObject({
  format: z.literal(METHOD_FORMAT),
  span: z.strictObject({ from: periodCode, to: periodCode }).optional(),
  missing: z.enum(MISSING_RULES).optional(),
  decompose: z
    .strictObject({
      by: z.enum(DECOMPOSITIONS),
      model: z.enum(MODELS),
      average: z.enum(INDEX_AVERAGES),
      adjust: z.boolean(),
      exclude: z.array(z.strictObject({ period: periodCode, reason })).max(20_000),
      seasonalWindow: z.union([window, z.literal('periodic')]),
      trendWindow: window,
      lowPassWindow: window,
      seasonalDegree: degree,
      trendDegree: degree,
      lowPassDegree: degree,
      robust: z.boolean(),
      // Passes multiply: more of them would hold a server for minutes, and change nothing.
      inner: z.int().min(1).max(10),
      outer: z.int().min(0).max(50),
    })
    .partial()
    .optional(),
  trend: z
    .strictObject({
      form: z.enum(TREND_FORMS),
      breaks: z
        .array(z.strictObject({ period: periodCode, level: z.boolean().optional() }))
        .max(100),
      last: z.int().min(1),
    })
    .partial()
    .optional(),
  forecast: z
    .strictObject({
      by: z.enum(FORECAST_WAYS),
      horizon: z.int().min(1),
      levels: z.array(z.number().gt(0).lt(100)).max(10),
      season: z.enum(SEASON_FORMS),
      base: z.int().min(1),
      pairs: z.int().min(1),
      model: z.enum(MODELS),
      indicators: z
        .array(
          z.strictObject({ name: z.string().min(1), from: periodCode, to: periodCode.optional() }),
        )
        .max(1000),
      steps: z.array(z.strictObject({ name: z.string().min(1), from: periodCode })).max(1000),
      backTransform: z.enum(BACK_TRANSFORMS),
    })
    .partial()
    .optional(),
  check: z
    .strictObject({
      holdout: z.int().min(1),
      rolling: z
        .strictObject({ first: z.int().min(1), horizon: z.int().min(1), step: z.int().min(1) })
        .partial(),
    })
    .partial()
    .optional(),
}) satisfies z.ZodType<MethodDocument>
