import { autocorrelation, autocorrelationLimit } from '../autocorrelation/autocorrelation'
import { withoutEnds } from '../autocorrelation/withoutGap'
import type { Value } from '../series/series'
import { stableSeason } from '../seasonality/stableSeason'
import { mean, median } from '../statistics/average'
import { standardDeviation } from '../statistics/spread'
import { axisOfStretch, type Stretch } from '../series/stretch'

/** Spread of the leftover in one year or one season. */
export interface SpreadOf {
  /** Calendar year, or season from 1. */
  readonly of: number
  /** Standard deviation; undefined with fewer than two values. */
  readonly spread: Value
}

/** What is left when trend-cycle and season are out, looked at for a pattern that should not be there. */
export interface Leftover {
  /** Standard deviation, in units of the series or as a factor. */
  readonly spread: Value
  /** None of a yearly series, which has one value a year. */
  readonly byYear: readonly SpreadOf[]
  readonly bySeason: readonly SpreadOf[]
  /** From lag 1; null with a gap inside, or when nothing is left over. */
  readonly autocorrelation: readonly number[] | null
  readonly limit: Value
  /** Whether rounding is all that is left: nothing else is said then. */
  readonly isNothing: boolean
  /** Whether no more than one of the lags within a year is beyond the limit. */
  readonly looksRandom: boolean
  /** Whether it still waves: slowly from period to period, or with the season. */
  readonly waves: 'slowly' | 'with the season' | null
  /** The lag at which it does. */
  readonly wavesAtLag: Value
  /** Whether its spread changes from the first third to the last. */
  readonly fan: Fan | null
}

/** The spread of the first and of the last third, and whether they differ beyond chance. */
export interface Fan {
  readonly first: number
  readonly last: number
  readonly p: number
  /** At 5%. */
  readonly verdict: 'out' | 'in' | 'even'
}

/** A spread up to this share of the values is what rounding leaves. */
const ROUNDING = 1e-9
const NOTHING_LEFT: Leftover = {
  spread: 0,
  isNothing: true,
  looksRandom: false,
  byYear: [],
  bySeason: [],
  autocorrelation: null,
  limit: null,
  waves: null,
  wavesAtLag: null,
  fan: null,
}

/** Autocorrelations are shown this many years back. */
const YEARS_BACK = 2
/** A yearly series is looked at over this many years, twice. */
const FEWEST_LAGS = 2
const SIGNIFICANT = 0.05
/** A third with fewer values says nothing of its spread. */
const FEWEST = 5

/**
 * Looks at a leftover as an analyst should: against time, by year and season, and against itself.
 *
 * It still waves when its autocorrelation at lag 1, or one year back, is above the limit of noise. A moving
 * average leaves negative ones at short lags by itself; those are no fault of the model.
 *
 * @param stretch tells the season and year of each entry
 * @param irregular one a period, null = undefined
 * @param counts whether an entry counts: it is neither left out nor distrusted
 * @param hasSeason whether a season was taken out; without one its seasons are not compared
 * @param size of what rounding is a share of: the largest value, or 1 for a factor
 */
export function examineLeftover(
  stretch: Stretch,
  irregular: readonly Value[],
  counts: (entry: number) => boolean,
  hasSeason = true,
  size = 1,
): Leftover {
  const counted = irregular.map((value, i) => (counts(i) ? value : null))
  const { calendar, seasonOf } = stretch
  const axis = axisOfStretch(stretch)
  const yearOf = irregular.map((_, i) => axis.yearOf(i + 1))
  const { inner, skipped } = withoutEnds(irregular)
  // A flood of two months is no wave: what does not count is taken as no departure at all.
  const usual = mean(present(counted)) ?? 0
  const believed = inner.map((value, i) => (counts(skipped + i) ? value : usual))
  const r =
    inner.length === 0 || inner.includes(null)
      ? null
      : autocorrelation(
          believed as readonly number[],
          YEARS_BACK * Math.max(FEWEST_LAGS, calendar.seasons),
        )
  const limit = r && autocorrelationLimit(inner.length)
  const spread = standardDeviation(present(counted))
  if (spread !== null && spread <= ROUNDING * size) return NOTHING_LEFT
  const year = Math.max(FEWEST_LAGS, calendar.seasons)
  const beyond = r?.slice(0, year).filter((own) => Math.abs(own) > limit!).length ?? 0
  return {
    spread,
    isNothing: false,
    looksRandom: r !== null && beyond <= 1,
    byYear: calendar.seasons > 1 ? spreads(counted, yearOf) : [],
    bySeason: hasSeason ? spreads(counted, seasonOf) : [],
    autocorrelation: r,
    limit,
    ...wavesOf(r, limit, calendar.seasons),
    fan: fanOf(counted.slice(skipped, skipped + inner.length)),
  }
}

function wavesOf(
  r: readonly number[] | null,
  limit: Value,
  seasons: number,
): Pick<Leftover, 'waves' | 'wavesAtLag'> {
  const isBeyond = (lag: number) => {
    const own = r?.[lag - 1]
    return own !== undefined && limit !== null && own > limit
  }
  if (isBeyond(1)) return { waves: 'slowly', wavesAtLag: 1 }
  if (seasons > 1 && isBeyond(seasons)) return { waves: 'with the season', wavesAtLag: seasons }
  return { waves: null, wavesAtLag: null }
}

function spreads(values: readonly Value[], groupOf: readonly number[]): SpreadOf[] {
  return [...new Set(groupOf)]
    .sort((a, b) => a - b)
    .map((of) => ({
      of,
      spread: standardDeviation(present(values.filter((_, i) => groupOf[i] === of))),
    }))
}

/**
 * Brown & Forsythe's test of the first third against the last: how far values lie from the median of their
 * third, compared by analysis of variance. An F test of variances takes every freak value for a fan.
 *
 * @see Brown, M. B. & Forsythe, A. B. (1974), Journal of the American Statistical Association 69, 364–367
 */
function fanOf(inner: readonly Value[]): Fan | null {
  const third = Math.floor(inner.length / 3)
  const [start, end] = [present(inner.slice(0, third)), present(inner.slice(-third))]
  if (third === 0 || Math.min(start.length, end.length) < FEWEST) return null
  const [first, last] = [standardDeviation(start)!, standardDeviation(end)!]
  const { p } = stableSeason([start, end].map(distances))
  if (p === null) return null
  // Which side spreads more is asked of the distances that were compared.
  const verdict = mean(distances(end))! > mean(distances(start))! ? 'out' : 'in'
  return { first, last, p, verdict: p <= SIGNIFICANT ? verdict : 'even' }
}

function distances(values: readonly number[]): number[] {
  const centre = median(values)!
  return values.map((value) => Math.abs(value - centre))
}

function present(values: readonly Value[]): number[] {
  return values.filter((value) => value !== null)
}
