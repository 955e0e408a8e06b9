import { z } from 'zod'

/** An error as RFC 9457 problem details. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  /** What is wrong and what to do, in one or two sentences. */
  detail: z.string(),
  /** JSON pointer to the field that is wrong, where there is one. */
  pointer: z.string().optional(),
  /** The copy that is stored, when a save came from a stale one. */
  current: z.unknown().optional(),
})
export type Problem = z.infer<typeof problemSchema>
