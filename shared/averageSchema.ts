import { z } from 'zod'
import type { AverageKind } from '../core/smoothing/averageKinds'

const order = z.int().min(1).max(10_000)
const weights = z.array(z.number()).max(1000)
/** A moving average that an analyst has chosen. */
export const averageSchema: z.ZodType<AverageKind> = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('centred'), order }),
  z.strictObject({ kind: z.literal('off-centre'), order }),
  z.strictObject({ kind: z.literal('composite'), p: order, q: order }),
  z.strictObject({ kind: z.literal('trailing'), order }),
  z.strictObject({ kind: z.literal('spencer') }),
  z.strictObject({ kind: z.literal('henderson'), length: order }),
  z.strictObject({ kind: z.literal('weights'), weights }),
  z.strictObject({ kind: z.literal('trailing-weights'), weights }),
])
