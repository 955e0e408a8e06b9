import { Refusal } from '../refusal'

/** Elementary steps that a single calculation may take: some ten seconds of one thread. */
const MOST_STEPS = 1.5e9

/**
 * Refuses work that cannot end in reasonable time, before it begins: one rule for screen, server and command line.
 *
 * @param steps about how many multiplications it takes
 * @param what is asked for, with its figures: `Windows of 39,999 over 20,000 periods`
 * @param instead what to do: `Take smaller windows`
 * @param where path in the document
 */
export function requireBounded(steps: number, what: string, instead: string, where: string): void {
  if (steps <= MOST_STEPS) return
  throw new Refusal(
    `${what} would take about ${Math.ceil(steps / MOST_STEPS)} times as long as can be waited for. ${instead}.`,
    where,
  )
}
