import { z } from 'zod'

/** The key as somebody gives it. */
export const givenKeySchema = z.strictObject({ key: z.string().min(1).max(1000) })
