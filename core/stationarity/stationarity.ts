import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { dickeyFuller, type DickeyFuller } from './dickeyFuller'
import { kpss, type Kpss } from './kpss'

/** A test, or why it cannot be made. */
export type Tested<Test> = { readonly made: true; readonly test: Test } | Untested
interface Untested {
  readonly made: false
  readonly because: string
}

/** Both tests around a level, with what they say together. */
export interface Stationarity {
  readonly dickeyFuller: Tested<DickeyFuller>
  readonly kpss: Tested<Kpss>
  /** null when either cannot be made. */
  readonly verdict: string | null
}

/**
 * Does a series stay around its level? Asked from both sides: Dickey–Fuller takes wandering for granted until
 * the figures speak against it, KPSS staying.
 *
 * @param values one a period, null = missing
 */
export function testStationarity(values: readonly Value[]): Stationarity {
  const wandering = tryTest(() => dickeyFuller(values, 'constant'))
  const staying = tryTest(() => kpss(values, 'level'))
  return {
    dickeyFuller: wandering,
    kpss: staying,
    verdict:
      wandering.made && staying.made
        ? verdictOf(wandering.test.rejects, staying.test.rejects)
        : null,
  }
}

function verdictOf(comesBack: boolean, wanders: boolean): string {
  if (comesBack && !wanders) return 'Both tests agree: it stays around one level.'
  if (!comesBack && wanders) return 'Both tests agree: it does not stay around one level.'
  return comesBack
    ? 'The tests disagree: it comes back quickly, yet its level shifts; a trend may be left in it.'
    : 'The tests do not decide: neither staying nor wandering can be ruled out.'
}

function tryTest<Test>(make: () => Test): Tested<Test> {
  try {
    return { made: true, test: make() }
  } catch (error) {
    if (error instanceof Refusal) return { made: false, because: error.because }
    throw error
  }
}
