import { z } from 'zod'
import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { choosePower, type ChosenPower } from '../transform/guerrero'
import { figure } from '../words/figure'

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

/** The scale of a power that a model is of. */
export interface Transform {
  readonly lambda: number
  /** How it was chosen; null where it was named. */
  readonly chosen: ChosenPower | null
}

/**
 * The scale that a method asks for.
 *
 * @returns null for the values as they are
 * @throws Refusal for a value not above 0, naming the first, and where a power cannot be chosen
 */
export function transformOf(
  option: TransformOption,
  values: readonly Value[],
  seasons: number,
  nameOf: (i: number) => string,
): Transform | null {
  if (option === 'none') return null
  const at = values.findIndex((value) => value !== null && value <= 0)
  if (at >= 0) {
    throw new Refusal(
      `A power transform needs every value above 0; that of ${nameOf(at)} is ${figure(values[at]!)}. Take the values as they are.`,
      'forecast.transform',
      { t: at + 1 },
    )
  }
  if (option !== 'chosen') {
    return { lambda: typeof option === 'number' ? option : NAMED_POWERS[option], chosen: null }
  }
  const chosen = choosePower(values, seasons)
  return { lambda: chosen.lambda, chosen }
}

/** `ln of sales`, `square root of sales`, `sales to the power 0.3` */
export function transformWords(lambda: number, noun: string): string {
  if (lambda === 0) return `ln of ${noun}`
  return lambda === 0.5 ? `square root of ${noun}` : `${noun} to the power ${figure(lambda)}`
}
