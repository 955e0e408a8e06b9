import { z } from 'zod'

/** Whether the server can keep anything. */
export const storageSchema = z.strictObject({
  /** Why it cannot, and what helps; null where it can. */
  readOnly: z.strictObject({ file: z.string(), says: z.string(), helps: z.string() }).nullable(),
})
export type Storage = z.infer<typeof storageSchema>
