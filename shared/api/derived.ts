import { z } from 'zod'
import { methodSchema } from '../methodSchema'

/** A calculated row that is to become a series of its own. */
export const takeOnRowSchema = z.strictObject({
  /** Name of a row of the ledger. */
  row: z.string().min(1).max(200),
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
