import { autocorrelation, autocorrelationLimit } from '../autocorrelation/autocorrelation'
import { withoutEnds } from '../autocorrelation/withoutGap'
import { MODEL, type Model } from '../model'
import type { Value } from '../series/series'
import type { Stretch } from '../series/stretch'
import { byYear } from './byYear'
import { movingSeason, type MovingSeason } from './movingSeason'
import { kruskalWallis, stableSeason, type FTest, type KruskalWallis } from './stableSeason'

/** Tests of the seasonal-irregular: is there a season, and does it stay as it is? */
export interface SeasonTests {
  readonly stable: FTest
  readonly kruskalWallis: KruskalWallis
  readonly moving: MovingSeason
  /** Autocorrelation one and two years back; undefined with a gap inside, or when nothing varies. */
  readonly autocorrelation: {
    readonly oneYear: Value
    readonly twoYears: Value
    readonly limit: Value
  }
}

/**
 * All tests of season on one seasonal-irregular.
 *
 * @param stretch tells the season and year of each entry
 * @param seasonalIrregular one a period, null = undefined
 * @param counts whether an entry counts in the comparison of seasons: it is neither left out nor distrusted
 */
export function testSeason(
  { calendar, periodOf }: Stretch,
  seasonalIrregular: readonly Value[],
  counts: (entry: number) => boolean,
  model: Model,
): SeasonTests {
  const { names } = periodOf(0)
  const first = { year: names.year!, season: names.season! }
  const counted = seasonalIrregular.map((value, i) => (counts(i) ? value : null))
  const years = byYear(counted, first, calendar.seasons)
  const groups = Array.from({ length: calendar.seasons }, (_, k) =>
    years.flatMap(({ values }) => (values[k] === null ? [] : [values[k]!])),
  )
  return {
    stable: stableSeason(groups),
    kruskalWallis: kruskalWallis(groups),
    moving: movingSeason(years, MODEL[model].neutral),
    autocorrelation: yearsBack(seasonalIrregular, calendar.seasons),
  }
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
