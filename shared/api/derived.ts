import { z } from 'zod'
import { GROWTH_KINDS } from '../../core/beside/beside'
import { COARSER, GATHERED_BY } from '../../core/series/gathered'
import { averageSchema } from '../averageSchema'
import { methodSchema } from '../methodSchema'

/** A row that is looked at beside the method. */
const besideRowSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('average'), by: averageSchema }),
  z.strictObject({
    kind: z.literal('growth'),
    rate: z.enum(GROWTH_KINDS),
    on: z.enum(['value', 'deseasonalized']),
  }),
])
export type BesideRow = z.infer<typeof besideRowSchema>

/** The values in a coarser rhythm. */
const gatheredRowSchema = z.strictObject({
  kind: z.literal('gathered'),
  to: z.enum(COARSER),
  by: z.enum(GATHERED_BY),
})
export type GatheredRow = z.infer<typeof gatheredRowSchema>

/** A calculated row that is to become a series of its own: of the ledger by its name, one beside it, or the values gathered. */
export const takeOnRowSchema = z.strictObject({
  row: z.union([z.string().min(1).max(200), besideRowSchema, gatheredRowSchema]),
  /** What it is calculated by, now and after every change of the values. */
  method: methodSchema,
})
export type TakeOnRow = z.infer<typeof takeOnRowSchema>

/** What a series is calculated from. */
export const derivedSchema = z.strictObject({
  /** What the row is called: `Deseasonalized`. */
  label: z.string(),
  /** null once it was deleted: the values stay as they are. */
  from: z.strictObject({ id: z.uuid(), name: z.string(), studyId: z.uuid() }).nullable(),
  /** Why it could not be calculated from the present values; empty where it was. */
  problem: z.string(),
})
export type Derived = z.infer<typeof derivedSchema>
