import { autocorrelation, autocorrelationLimit } from '../autocorrelation/autocorrelation'
import { withoutEnds } from '../autocorrelation/withoutGap'
import { MODEL, type Model } from '../model'
import type { Value } from '../series/series'
import { axisOfStretch, type Stretch } from '../series/stretch'
import { mean } from '../statistics/average'
import { byYear } from './byYear'
import { driftingSeason, type DriftingSeason } from './driftingSeason'
import { movingSeason, type MovingSeason } from './movingSeason'
import { kruskalWallis, stableSeason, type FTest, type KruskalWallis } from './stableSeason'

/** Tests of the seasonal-irregular: is there a season, and does it stay as it is? */
export interface SeasonTests {
  readonly stable: FTest
  readonly kruskalWallis: KruskalWallis
  readonly moving: MovingSeason
  readonly drifting: DriftingSeason
  /** Whether the seasons differ beyond chance. */
  readonly found: boolean
  /** Whether ranks find a season that freak values hide from F. */
  readonly hidden: boolean
  /** The highest average of a season less the lowest: what a movement is measured by. */
  readonly swing: Value
  /** Autocorrelation one and two years back; undefined with a gap inside, or when nothing varies. */
  readonly autocorrelation: {
    readonly oneYear: Value
    readonly twoYears: Value
    readonly limit: Value
  }
}

/** Ratios to a moving average are not independent: at 5% one clean series in seven would have a season. */
const SEASON_LEVEL = 0.01
const ROUNDING = 1e-9

/**
 * All tests of season on one seasonal-irregular.
 *
 * @param stretch tells the season and year of each entry
 * @param seasonalIrregular one a period, null = undefined
 * @param counts whether an entry counts in the comparison of seasons: it is neither left out nor distrusted
 */
export function testSeason(
  stretch: Stretch,
  seasonalIrregular: readonly Value[],
  counts: (entry: number) => boolean,
  model: Model,
): SeasonTests {
  const counted = seasonalIrregular.map((value, i) => (counts(i) ? value : null))
  const { calendar } = stretch
  const years = byYear(counted, axisOfStretch(stretch))
  const groups = Array.from({ length: calendar.seasons }, (_, k) =>
    years.flatMap(({ values }) => (values[k] === null ? [] : [values[k]!])),
  )
  const stable = stableSeason(groups)
  const ranks = kruskalWallis(groups)
  const found = isSure(stable.p) || isPerfect(groups)
  return {
    stable,
    kruskalWallis: ranks,
    found,
    hidden: !found && isSure(ranks.p),
    moving: movingSeason(years, MODEL[model].neutral),
    drifting: driftingSeason(
      Array.from({ length: calendar.seasons }, (_, k) =>
        years.flatMap(({ values }, year) =>
          values[k] === null ? [] : [{ year, value: values[k]! }],
        ),
      ),
    ),
    swing: swingOf(groups),
    autocorrelation: yearsBack(seasonalIrregular, calendar.seasons),
  }
}

function swingOf(groups: readonly (readonly number[])[]): Value {
  const levels = groups.flatMap((group) => mean(group) ?? [])
  return levels.length === 0 ? null : Math.max(...levels) - Math.min(...levels)
}

/** With the many values of a season, only a clear movement is worth a word. */
const MOVES = 0.01
/** Of a season that hardly varies the tests see the tenth decimal move: it must be this share of the swing. */
const MATTERS = 0.05

/** How a season that is there changes over the years: its shape drifts, or its size changes; null where it stays. */
export function movementOf({
  found,
  drifting,
  moving,
  swing,
}: SeasonTests): 'shape' | 'size' | null {
  const isSureAndLarge = (p: Value, share: number) => p !== null && p <= MOVES && share > MATTERS
  if (!found || !swing) return null
  const { most } = drifting
  if (most && isSureAndLarge(drifting.p, Math.abs(most.to - most.from) / swing)) return 'shape'
  return isSureAndLarge(moving.p, moving.change ?? 0) ? 'size' : null
}

function isSure(p: Value): boolean {
  return p !== null && p <= SEASON_LEVEL
}

/** A season that repeats to the digit has no variation to be tested against. */
function isPerfect(groups: readonly (readonly number[])[]): boolean {
  const firsts = groups.flatMap((group) => (group.length < 2 ? [] : [group[0]!]))
  if (firsts.length < 2) return false
  const [least, most] = [Math.min(...firsts), Math.max(...firsts)]
  const rounding = ROUNDING * Math.max(Math.abs(least), Math.abs(most))
  const repeats = groups.every((group) =>
    group.every((value) => Math.abs(value - group[0]!) <= rounding),
  )
  return repeats && most - least > rounding
}

function yearsBack(values: readonly Value[], seasons: number): SeasonTests['autocorrelation'] {
  const { inner } = withoutEnds(values)
  if (inner.length === 0 || inner.includes(null)) {
    return { oneYear: null, twoYears: null, limit: null }
  }
  const r = autocorrelation(inner as readonly number[], 2 * seasons)
  return {
    oneYear: r?.[seasons - 1] ?? null,
    twoYears: r?.[2 * seasons - 1] ?? null,
    limit: autocorrelationLimit(inner.length),
  }
}
