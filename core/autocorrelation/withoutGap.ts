import { Refusal } from '../refusal'
import type { Value } from '../series'

/** The values of a list between its first and last defined ones. */
export interface Unbroken {
  readonly values: readonly number[]
  /** Entries of the list before the first of them. */
  readonly skipped: number
}

/**
 * Cuts undefined ends off a list. What compares a value with the one before it cannot pass over a gap
 * inside, so that is refused.
 *
 * @param values one a period, null = undefined
 * @param what is to be calculated, for the refusal: `The autocorrelation`
 * @throws Refusal naming the first gap inside
 */
export function withoutGap(values: readonly Value[], what: string): Unbroken {
  const skipped = values.findIndex((value) => value !== null)
  if (skipped < 0) return { values: [], skipped: values.length }
  const inner = values.slice(skipped, values.findLastIndex((value) => value !== null) + 1)
  const gap = inner.indexOf(null)
  if (gap >= 0) {
    throw new Refusal(
      `${what} needs a series without gaps; the value ${skipped + gap + 1} of the ${values.length} is missing. Fill it, or analyse a span without it.`,
      'missing',
      { t: skipped + gap + 1 },
    )
  }
  return { values: inner as readonly number[], skipped }
}
