import { z } from 'zod'
import { CONTEST_FORMAT, type Contest } from '../core/contest/contest'
import { methodSchema } from './methodSchema'

const MOST_ROWS = 100
const MOST_ORIGINS = 20_000
const undefinable = z.number().nullable()

/** The contest document `elvant-contest/1`. */
export const contestSchema = z.strictObject({
  format: z.literal(CONTEST_FORMAT),
  series: z.string().max(500),
  origins: z.strictObject({
    first: z.string().max(20),
    last: z.string().max(20),
    count: z.int().min(0),
    horizon: z.int().min(1),
    step: z.int().min(1),
  }),
  rows: z
    .array(
      z.strictObject({
        name: z.string().max(500),
        method: methodSchema,
        mean: undefinable,
        median: undefinable,
        worst: undefinable,
        off: z.strictObject({ by: z.number(), in: z.enum(['percent', 'units']) }).nullable(),
        byOrigin: z.array(z.number()).max(MOST_ORIGINS),
        coverage: z.record(z.string(), undefinable),
        tiesWithBest: z.boolean(),
        estimated: undefinable,
        refused: z.string().max(2000).nullable(),
      }),
    )
    .max(MOST_ROWS),
  /** Not there in contests that were kept before the two were told apart: the first was what was proposed. */
  nearest: z.string().max(500).nullable(),
  proposed: z.string().max(500).nullable(),
  plainer: z.string().max(500).nullable(),
}) satisfies z.ZodType<Contest>
