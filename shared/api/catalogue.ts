import { z } from 'zod'
import { LAST_ACTUALS, REASONS, type Thresholds } from '../../core/catalogue/attention'
import { methodSchema } from '../methodSchema'
import { wellFormed } from '../visibleText'
import { lineSchema } from '../seriesSchema'

/** Methods that a series is forecast by the nearest of, at the most. */
export const MOST_IN_CONTEST = 6

/** Going on, waiting to be taken up again, or over. */
export const RUN_STATES = ['running', 'paused', 'ended'] as const
export type RunState = (typeof RUN_STATES)[number]

/** Where the methods of a run come from: the study that opens with each series, when nothing else is said. */
export const runSourceSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('study') }),
  z.strictObject({ kind: z.literal('begin') }),
  z.strictObject({ kind: z.literal('given'), method: methodSchema }),
  z.strictObject({
    kind: z.literal('contest'),
    methods: z.array(methodSchema).min(2, 'A contest takes two methods.').max(MOST_IN_CONTEST),
  }),
])
export type RunSource = z.infer<typeof runSourceSchema>

/** From where on something is worth a look. */
export const thresholdsSchema = z.strictObject({
  change: z.number().min(1).max(1000),
  outside: z.int().min(1).max(LAST_ACTUALS),
  zeros: z.int().min(1).max(100),
  behind: z.int().min(1).max(1000),
}) satisfies z.ZodType<Thresholds>

/** What is done with each series of a run. */
export const runTaskSchema = z.discriminatedUnion('kind', [
  /** A forecast, a verdict, and what there is to look at. */
  z.strictObject({
    kind: z.literal('work'),
    source: runSourceSchema.optional(),
    thresholds: thresholdsSchema.optional(),
  }),
  /** Its forecast is kept under a name, to be judged later. */
  z.strictObject({
    kind: z.literal('keep'),
    name: lineSchema.min(1, 'A kept forecast needs a name.').max(200),
  }),
])
export type RunTask = z.infer<typeof runTaskSchema>

export const beginRunSchema = z.strictObject({
  task: runTaskSchema.default({ kind: 'work' }),
  /** All on the shelf where it is left out. */
  ids: z.array(z.uuid()).min(1).max(20_000).optional(),
})
export type BeginRun = z.infer<typeof beginRunSchema>

/** A run as it stands. */
export const runSchema = z.strictObject({
  id: z.int(),
  state: z.enum(RUN_STATES),
  task: runTaskSchema,
  done: z.int(),
  of: z.int(),
  /** Seconds that it will still take, as fast as it has been; null before that is known. */
  left: z.number().nullable(),
})
export type Run = z.infer<typeof runSchema>
export const runStateSchema = z.strictObject({ run: runSchema.nullable() })

export const changeRunSchema = z.strictObject({ state: z.enum(RUN_STATES) })

export const seenSchema = z.strictObject({
  seen: z.boolean(),
  note: z.string().overwrite(wellFormed).max(2000).default(''),
})

/** What came of a series when it was last worked through, as a row of the shelf says it. */
export const workedSchema = z.strictObject({
  /** Why to look at it, the most urgent first; what was seen is left out until something new comes. */
  attention: z.array(z.strictObject({ code: z.enum(REASONS), text: z.string(), size: z.number() })),
  /** Whether it was seen with the same to look at, and what was noted. */
  seen: z.strictObject({ note: z.string() }).nullable(),
  method: z.string().nullable(),
  /** How far such forecasts were off, in words, and the nearest of what needs no method. */
  off: z.string().nullable(),
  /** The same as figures, in per cent of what came; null where they are in units. */
  offBy: z.number().nullable(),
  benchmarkBy: z.number().nullable(),
  /** The forecast over its horizon: a sum, or the mean of what does not add up. */
  ahead: z.number().nullable(),
  /** The forecast against as long before, in per cent. */
  change: z.number().nullable(),
  /** The newest value beside what a run before had forecast of it; null where none had. */
  against: z
    .strictObject({
      period: z.string(),
      actual: z.number(),
      forecast: z.number(),
      percent: z.number().nullable(),
      isWithin: z.boolean().nullable(),
    })
    .nullable(),
})
export type Worked = z.infer<typeof workedSchema>
