import { MODEL, type Model } from '../../model'
import { Refusal } from '../../refusal'
import type { Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import { centredAverage } from '../../smoothing/movingAverage'
import { mean } from '../../statistics/average'
import { without } from '../parts'
import { adjustIndices, AVERAGE, valuesOfSeasons, type IndexAverage } from '../seasonalIndices'
import { circular } from './circular'

/** One of the two seasons, as averages find it. */
export interface AveragedSeason {
  /** Values without the other season, and without their average over this cycle. One a period. */
  readonly departures: readonly Value[]
  /** Values behind each index, position 1 first. */
  readonly counts: readonly number[]
  readonly raw: readonly number[]
  readonly rawIndexMean: number
  readonly index: readonly number[]
  /** What the other season has of it, taken out of each of so many positions in turn; empty where the two share nothing. */
  readonly sharedMeans: readonly number[]
}

/** Both seasons, the shorter first, and what is left of the level. */
export interface TwoAveraged {
  readonly seasons: readonly [AveragedSeason, AveragedSeason]
  readonly trendCycle: readonly Value[]
  /** Rounds until no index changed any more. */
  readonly rounds: number
}

const MOST_ROUNDS = 100
const SETTLED = 1e-9
/** What sums of values leave behind, as a share of the largest. */
const ROUNDING = 1e-13

/**
 * Two seasons by averages, each formed of what the other leaves, until neither changes.
 *
 * The shorter is found beside the average of its own length, the longer beside that of its own, each adjusted to change nothing
 * over a cycle. The trend-cycle is the average over the longer cycle of what both leave.
 *
 * @param cycles the stretch with the seasons of the shorter cycle, and of the longer
 * @param width neighbours over which the longer season is smoothed, 0 for none
 * @param leftOut time codes that are left out of the averages
 * @throws Refusal for a position without a value, naming it, and for two seasons that do not settle
 */
export function byAverages(
  cycles: readonly [Stretch, Stretch],
  model: Model,
  { average, width }: { readonly average: IndexAverage; readonly width: number },
  leftOut: ReadonlySet<number>,
): TwoAveraged {
  const { values } = cycles[0]
  const neutral = MODEL[model].neutral
  const at = (cycle: Stretch, index: readonly number[]) =>
    cycle.seasonOf.map((season) => index[season - 1]!)
  const seasonBeside = (k: 0 | 1, other: readonly number[]) =>
    seasonOf(cycles[k], without(values, other, model), model, {
      ...{ average, leftOut, width: k === 0 ? 0 : width },
    })
  const shared = commonDivisor(cycles[0].calendar.seasons, cycles[1].calendar.seasons)
  let longer: readonly number[] = values.map(() => neutral)
  // Where there is no season the indices are rounding, of which no two rounds agree.
  const rounding =
    model === 'additive'
      ? ROUNDING * values.reduce<number>((most, one) => Math.max(most, Math.abs(one ?? 0)), 0)
      : ROUNDING
  let before: readonly [AveragedSeason, AveragedSeason] | null = null
  for (let round = 1; round <= MOST_ROUNDS; round++) {
    const first = seasonBeside(0, longer)
    const second = withoutShared(seasonBeside(1, at(cycles[0], first.index)), shared, model)
    longer = at(cycles[1], second.index)
    const seasons = [first, second] as const
    if (before && isSettled(before, seasons, rounding)) {
      const both = without(without(values, at(cycles[0], first.index), model), longer, model)
      return { seasons, rounds: round, trendCycle: centredAverage(both, second.index.length) }
    }
    before = seasons
  }
  throw new Refusal(
    `The two seasons, ${cycles.map(({ calendar }) => calendar.seasons).join(' and ')}, do not settle in ${MOST_ROUNDS} rounds: each takes what the other gave back. Take one of them, or others.`,
    'decompose.seasons',
  )
}

/**
 * The longer season without what comes back in the shorter as well. Left in it, the two would pass it between them for ever: each
 * loses other periods at the ends, so they never agree on it.
 *
 * @param shared greatest common divisor of the two lengths
 */
function withoutShared(season: AveragedSeason, shared: number, model: Model): AveragedSeason {
  if (shared === 1) return season
  const { takeOut } = MODEL[model]
  const means = Array.from({ length: shared }, (_, k) =>
    mean(season.index.filter((_, i) => i % shared === k))!,
  )
  return {
    ...season,
    index: season.index.map((one, i) => takeOut(one, means[i % shared]!)),
    sharedMeans: means,
  }
}

function commonDivisor(a: number, b: number): number {
  return b === 0 ? a : commonDivisor(b, a % b)
}

function seasonOf(
  cycle: Stretch,
  values: readonly Value[],
  model: Model,
  {
    average,
    leftOut,
    width,
  }: {
    readonly average: IndexAverage
    readonly leftOut: ReadonlySet<number>
    readonly width: number
  },
): AveragedSeason {
  const departures = without(values, centredAverage(values, cycle.calendar.seasons), model)
  const lists = valuesOfSeasons(cycle, departures, leftOut)
  const raw = circular(
    lists.map((list) => AVERAGE[average](list)),
    width,
  )
  requireEvery(cycle, raw)
  const adjusted = adjustIndices(raw, model, true)
  return { departures, counts: lists.map((list) => list.length), raw, ...adjusted, sharedMeans: [] }
}

function requireEvery(
  { seasonName }: Stretch,
  raw: readonly Value[],
): asserts raw is readonly number[] {
  const empty = raw.flatMap((value, k) => (value === null ? [k + 1] : []))
  if (empty.length === 0) return
  throw new Refusal(
    `No value is left to average for ${empty.slice(0, MOST_NAMED).map(seasonName).join(', ')}${empty.length > MOST_NAMED ? ' and others' : ''}: an index needs at least one that is neither missing, nor without a moving average, nor left out.`,
    'series.values',
    { seasons: empty },
  )
}

const MOST_NAMED = 5

/** Whether no index has changed: of factors beside themselves, of amounts beside the largest, as one of them may be 0. */
function isSettled(
  before: readonly [AveragedSeason, AveragedSeason],
  now: readonly [AveragedSeason, AveragedSeason],
  rounding: number,
): boolean {
  return now.every(({ index }, k) => {
    const largest = index.reduce((most, one) => Math.max(most, Math.abs(one)), 0)
    return index.every(
      (one, i) => Math.abs(one - before[k]!.index[i]!) <= SETTLED * largest + rounding,
    )
  })
}
