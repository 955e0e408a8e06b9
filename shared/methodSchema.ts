import { z } from 'zod'
import { MISSING_RULES } from '../core/care/fillMissing'
import {
  DECOMPOSITION_WAYS,
  DEFAULT_WAYS,
  foreignWords,
  type DecompositionDocument,
  type DecompositionName,
} from '../core/decompose/ways'
import {
  BACK_TRANSFORMS,
  FORECAST_WAYS,
  METHOD_FORMAT,
  SEASON_FORMS,
  TREND_FORMS,
  type MethodDocument,
} from '../core/method'
import { MODELS } from '../core/model'

const periodCode = z.string().min(1).max(20)

/** A document of one way, which says whom a key belongs to that it does not know. */
function ofWay(shape: z.ZodRawShape, by: DecompositionName) {
  return z.strictObject(shape, {
    error: (issue) =>
      issue.code === 'unrecognized_keys' ? foreignWords(issue.keys[0]!, by) : undefined,
  })
}

/** One schema a way, told apart by `by`; a document without it means a default way of its series. */
const decomposeSchema = z.discriminatedUnion('by', [
  ofWay(
    {
      ...Object.assign({}, ...DEFAULT_WAYS.map(({ document }) => document.shape)),
      by: z.undefined().optional(),
    },
    DEFAULT_WAYS[0].name,
  ),
  ...DECOMPOSITION_WAYS.map(({ document, name }) =>
    ofWay({ ...document.shape, by: z.literal(name) }, name),
  ),
]) as unknown as z.ZodType<DecompositionDocument>

/**
 * The method document `elvant-method/1`. Every key of the format is known here, whether or not
 * this version can carry it out; an unknown key or a wrong type is refused with its path.
 */
export const methodSchema = z.strictObject({
  format: z.literal(METHOD_FORMAT),
  span: z.strictObject({ from: periodCode, to: periodCode }).partial().optional(),
  missing: z.enum(MISSING_RULES).optional(),
  decompose: decomposeSchema.optional(),
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
