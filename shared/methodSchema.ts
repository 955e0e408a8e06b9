import { z } from 'zod'
import {
  DECOMPOSITION_WAYS,
  DEFAULT_WAYS,
  foreignWords,
  type DecompositionDocument,
  type DecompositionName,
} from '../core/decompose/ways'
import {
  DEFAULT_FORECAST,
  FORECAST_WAYS,
  foreignForecastWords,
  type ForecastDocument,
} from '../core/forecast/ways'
import { FEWEST_MEMBERS, MOST_MEMBERS } from '../core/forecast/combination/options'
import { METHOD_FORMAT, type MethodDocument } from '../core/method'
import { preparationDocument } from '../core/prepare/preparations'
import { trendDocument } from '../core/trend/document'

const periodCode = z.string().min(1).max(20)

/** A document of one way, which says whom a key belongs to that it does not know. */
function ofWay(shape: z.ZodRawShape, words: (key: string) => string) {
  return z.strictObject(shape, {
    error: (issue) => (issue.code === 'unrecognized_keys' ? words(issue.keys[0]!) : undefined),
  })
}

/** The document of one way of forecasting. */
function ofForecast({
  document,
  name,
}: {
  readonly document: { readonly shape: z.ZodRawShape }
  readonly name: (typeof FORECAST_WAYS)[number]['name']
}) {
  return ofWay(document.shape, (key) => foreignForecastWords(key, name))
}

function foreignTo(by: DecompositionName) {
  return (key: string) => foreignWords(key, by)
}

/** One schema a way, told apart by `by`; a document without it means a default way of its series. */
const decomposeSchema = z.discriminatedUnion('by', [
  ofWay(
    {
      ...Object.assign({}, ...DEFAULT_WAYS.map(({ document }) => document.shape)),
      by: z.undefined().optional(),
    },
    foreignTo(DEFAULT_WAYS[0].name),
  ),
  ...DECOMPOSITION_WAYS.map(({ document, name }) =>
    ofWay({ ...document.shape, by: z.literal(name) }, foreignTo(name)),
  ),
]) as unknown as z.ZodType<DecompositionDocument>

/** The same of the ways of forecasting, but for those whose documents hold methods of their own. */
const plainForecasts = [
  ofWay({ ...DEFAULT_FORECAST.document.shape, by: z.undefined().optional() }, (key) =>
    foreignForecastWords(key, DEFAULT_FORECAST.name),
  ),
  ...FORECAST_WAYS.filter(({ document }) => !('of' in document.shape)).map(ofForecast),
] as const

/** Methods within a method: one level, since those of a combination are none themselves. */
const membersSchema = z
  .array(
    z.strictObject({
      decompose: decomposeSchema.optional(),
      trend: trendDocument.optional(),
      forecast: z.discriminatedUnion('by', [...plainForecasts]).optional(),
    }),
  )
  .min(FEWEST_MEMBERS)
  .max(MOST_MEMBERS)
  .optional()

const forecastSchema = z.discriminatedUnion('by', [
  ...plainForecasts,
  ...FORECAST_WAYS.filter(({ document }) => 'of' in document.shape).map((way) =>
    ofForecast({ ...way, document: { shape: { ...way.document.shape, of: membersSchema } } }),
  ),
]) as unknown as z.ZodType<ForecastDocument>

/**
 * The method document `elvant-method/1`; an unknown key or a wrong type is refused with its path.
 */
export const methodSchema = z.strictObject({
  format: z.literal(METHOD_FORMAT),
  span: z.strictObject({ from: periodCode, to: periodCode }).partial().optional(),
  ...preparationDocument,
  decompose: decomposeSchema.optional(),
  trend: trendDocument.optional(),
  forecast: forecastSchema.optional(),
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
