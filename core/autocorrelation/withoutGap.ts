import { Refusal } from '../refusal'
import type { Value } from '../series/series'

/** The values of a list between its first and last defined ones. */
export interface Unbroken {
  readonly values: readonly number[]
  /** Entries of the list before the first of them. */
  readonly skipped: number
}

/** A list without its undefined ends; it may still have gaps inside. */
export function withoutEnds(values: readonly Value[]): { inner: Value[]; skipped: number } {
  const skipped = values.findIndex((value) => value !== null)
  if (skipped < 0) return { inner: [], skipped: values.length }
  const last = values.findLastIndex((value) => value !== null)
  return { inner: values.slice(skipped, last + 1), skipped }
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
  const { inner, skipped } = withoutEnds(values)
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
