import { z } from 'zod'

const weight = z.number().min(0).max(1).optional()

/** Weights of a smoothing, as a person or a script writes them. */
export const weightsDocument = z
  .strictObject({
    alpha: weight,
    beta: weight,
    gamma: weight,
    phi: z.number().gt(0).max(1).optional(),
  })
  .readonly()
