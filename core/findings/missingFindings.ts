import { countPeriods } from '../calendar/labels'
import type { Action, Finding } from '../finding'
import type { Value } from '../series/series'
import type { Stretch } from '../series/stretch'

/** From this share of missing values on, filling makes up more than it mends. */
const MOST_FILLED = 1 / 3

/** How the gaps of a series came about, and how they could be filled. */
export interface Gaps {
  /** Codes of the periods that the analyst left out. */
  readonly leftOut: ReadonlySet<string>
  /** Whether there is a season to put back. */
  readonly hasSeason: boolean
}

/**
 * Periods without a value, with filling them as what to do where most of the values are there. Gaps that the analyst made
 * need no caution, but the same click.
 */
export function missingFindings(stretch: Stretch, { leftOut, hasSeason }: Gaps): Finding[] {
  const { values, calendar, periodOf } = stretch
  const missing = values.flatMap((value, i) => (value === null ? [i] : []))
  if (missing.length === 0) return []
  const at = periodOf(missing[0]!)
  const own = missing.filter((i) => leftOut.has(periodOf(i).code)).length
  const fill: Action = {
    label: missing.length === 1 ? 'Fill it' : 'Fill the gaps',
    change: { missing: hasSeason ? 'seasonal' : 'interpolate' },
  }
  const made =
    own === missing.length
      ? ', left out by hand'
      : own > 0
        ? `, ${own} of them left out by hand`
        : ''
  return [
    {
      code: own === missing.length ? 'gaps-left-out' : 'missing-values',
      severity: own === missing.length ? 'note' : 'caution',
      stage: 'look',
      text: `${countPeriods(missing.length, calendar)} without a value, the first in ${at.label}${made}. No average is taken over a gap.`,
      period: at.code,
      figure: missing.length,
      ...(mayFill(stretch, values) ? { actions: [fill] } : {}),
    },
  ]
}

/**
 * Whether gaps can be filled in good faith: there are some between values, less than a third is missing, and of no season more
 * than half would be made up.
 *
 * @param values one a period of the stretch, null = missing
 */
export function mayFill({ seasonOf, calendar }: Stretch, values: readonly Value[]): boolean {
  const isThere = (value: Value) => value !== null
  const [first, last] = [values.findIndex(isThere), values.findLastIndex(isThere)]
  const inside = values.flatMap((value, i) => (value === null && i > first && i < last ? [i] : []))
  const missing = values.filter((value) => value === null).length
  if (inside.length === 0 || missing >= MOST_FILLED * values.length) return false
  return Array.from({ length: calendar.seasons }, (_, k) => k + 1).every((season) => {
    const own = seasonOf.flatMap((of, i) => (of === season ? [i] : []))
    return inside.filter((i) => seasonOf[i] === season).length <= own.length / 2
  })
}
