import { z } from 'zod'

/** A list of dates that the method of a series has, so that others can take it. */
export const dateListSchema = z.strictObject({
  name: z.string(),
  dates: z.array(z.string()),
  before: z.number(),
  after: z.number(),
  /** Series that have it, by name, a few of them. */
  series: z.array(z.string()),
  /** Studies whose methods have it. */
  studies: z.array(z.uuid()),
})
export type KeptDateList = z.infer<typeof dateListSchema>
export const dateListsSchema = z.array(dateListSchema)
