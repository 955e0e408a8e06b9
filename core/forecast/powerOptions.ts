import { z } from 'zod'
import { Refusal } from '../refusal'

/** Powers that have names. */
export const NAMED_POWERS = { ln: 0, 'square-root': 0.5 } as const
export type TransformOption = 'none' | keyof typeof NAMED_POWERS | 'chosen' | number

/** What comes back from a power. */
export const BACK_FROM_POWER = ['median', 'mean'] as const

/** The scale of a model and how its forecasts come back, as a person or a script writes it. */
export const powerDocument = {
  /** A number is a power. */
  transform: z
    .union([z.enum(['none', 'ln', 'square-root', 'chosen']), z.number().min(-5).max(5)])
    .optional(),
  /** Of a transform alone: what the point is that comes back. */
  backTransform: z.enum(BACK_FROM_POWER).optional(),
}

/** The same, complete. */
export interface PowerOptions {
  readonly transform: TransformOption
  /** Of a transform alone. */
  readonly backTransform?: (typeof BACK_FROM_POWER)[number]
}

/** Fills in the defaults: the values as they are; of transformed ones the median. @throws Refusal for a way back from nothing */
export function completePower({
  transform = 'none',
  backTransform,
}: {
  readonly transform?: TransformOption | undefined
  readonly backTransform?: PowerOptions['backTransform'] | undefined
}): PowerOptions {
  if (transform !== 'none') return { transform, backTransform: backTransform ?? 'median' }
  if (backTransform === undefined) return { transform }
  throw new Refusal(
    'backTransform belongs to values that are transformed; these are taken as they are. Take it out.',
    'forecast.backTransform',
  )
}
