import { MODEL, type Model } from '../../model'
import { Refusal } from '../../refusal'
import type { Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import { mean } from '../../statistics/average'
import { strengthsOf } from '../../seasonality/strength'
import { testSeason, type SeasonTests } from '../../seasonality/seasonTests'
import type { Extent } from '../../work/extent'
import { requireBounded } from '../../work/requireBounded'
import { partsOf, without, type Decomposed, type SeasonalIndex } from '../parts'
import { requireEverySeason, requirePositive } from '../requirements'
import { stlParameters } from '../stl/windows'
import { costsOf } from '../stl/smootherCost'
import { stepsOfPasses } from '../stl/steps'
import { byAverages } from './byAverages'
import { byLoess } from './byLoess'
import { circularCost } from './circular'
import { comesBack, shareAsLike } from './comesBack'
import { stretchByCycle } from './cycle'
import type { ByLoess, TwoSeasonsOptions } from './options'

/** One of the two seasons, and what can be said of it beside the other. */
export interface SeasonOfTwo {
  /** Seasons in its cycle. */
  readonly seasons: number
  /** Season 1 first; by loess those of the last cycle. */
  readonly index: readonly number[]
  readonly raw: readonly number[]
  readonly counts: readonly number[]
  /** The mean of the raw ones, which they were adjusted by; by loess none are. */
  readonly rawIndexMean: number | null
  /** What the shorter season has of it, which was taken out of its positions in turn; empty where the two share nothing. */
  readonly sharedMeans: readonly number[]
  /** Its index of each period. */
  readonly byPeriod: readonly number[]
  /** Values without the other season and without their average over this cycle, which its averages are made of; null by loess. */
  readonly departures: readonly Value[] | null
  /** Values without the other season and without the level, which it is seen in. */
  readonly seasonalIrregular: readonly Value[]
  /** 0 to 1; undefined where nothing varies. */
  readonly strength: Value
  /** Whether its seasons differ beyond chance, and by how much chance makes that; null where there are too few cycles to tell. */
  readonly found: boolean | null
  readonly p: Value
  /** Of the longer: the share of lengths around it after which values are as alike; null of the shorter, and where it cannot be told. */
  readonly asLike: Value
}

/** What a decomposition with two seasons finds beside the parts. */
export interface TwoSeasonsTaken {
  readonly by: 'two-seasons'
  readonly seasons: readonly [SeasonOfTwo, SeasonOfTwo]
  /** Rounds until the averages did not change any more; null by loess. */
  readonly rounds: number | null
  /** How far each period is believed; null by averages, where all are. */
  readonly weights: readonly number[] | null
}

/** One season, whichever way, before it is judged. */
interface Found extends Pick<
  SeasonOfTwo,
  'index' | 'raw' | 'counts' | 'rawIndexMean' | 'sharedMeans' | 'byPeriod' | 'departures'
> {
  /** Variance of an index as a share of that of a single value, season 1 first. */
  readonly uncertainty: readonly number[]
  readonly cost: number
}

/**
 * Takes a stretch apart into a level, a shorter and a longer season.
 *
 * @throws Refusal below two cycles of the longer season, three with gaps; for a value not above 0 in a multiplicative model
 */
export function decomposeTwoSeasons(
  stretch: Stretch,
  options: TwoSeasonsOptions,
  leftOut: ReadonlySet<number>,
): Decomposed<TwoSeasonsTaken> {
  const { values, calendar } = stretch
  const { model, seasons } = options
  requireCycles(stretch, seasons[1])
  if (model === 'multiplicative') requirePositive(stretch)
  const cycles = [stretchByCycle(stretch, seasons[0]), stretchByCycle(stretch, seasons[1])] as const
  const { found, trendCycle, rounds, weights } =
    options.each === 'averages'
      ? foundByAverages(cycles, options, leftOut)
      : foundByLoess(cycles, options, leftOut)
  const { putBack } = MODEL[model]
  const index = values.map((_, i) => putBack(found[0].byPeriod[i]!, found[1].byPeriod[i]!))
  const both = judged(cycles, found, trendCycle, model)
  const own = calendar.seasons === seasons[0] ? 0 : 1
  const axes = cycles.map(({ axis }) => axis)
  const ahead = (t: number) => [0, 1].map((k) => axes[k]!.seasonOf(t) - 1)
  return {
    ...partsOf(values, model, {
      ...{ trendCycle, index },
      season: {
        seasonalIrregular: both[own].seasonalIrregular,
        indices: rowsOf(found[own]),
        cost: found[0].cost + found[1].cost,
        at: (t) => {
          const [first, second] = ahead(t)
          return {
            index: putBack(found[0].index[first!]!, found[1].index[second!]!),
            uncertainty: found[0].uncertainty[first!]! + found[1].uncertainty[second!]!,
          }
        },
      },
    }),
    taken: { by: 'two-seasons', seasons: both, rounds, weights },
  }
}

interface FoundBoth {
  readonly found: readonly [Found, Found]
  readonly trendCycle: readonly Value[]
  readonly rounds: number | null
  readonly weights: readonly number[] | null
}

function foundByAverages(
  cycles: readonly [Stretch, Stretch],
  options: Extract<TwoSeasonsOptions, { each: 'averages' }>,
  leftOut: ReadonlySet<number>,
): FoundBoth {
  const { seasons, trendCycle, rounds } = byAverages(cycles, options.model, options, leftOut)
  const [first, second] = seasons.map((season, k): Found => {
    const smoother = circularCost(season.index.length, k === 0 ? 0 : options.width)
    return {
      ...season,
      byPeriod: cycles[k]!.seasonOf.map((own) => season.index[own - 1]!),
      uncertainty: season.counts.map((count) => smoother.share / Math.max(1, count)),
      // The sum over a cycle is fixed.
      cost: smoother.trace - 1,
    }
  })
  return { found: [first!, second!], trendCycle, rounds, weights: null }
}

function foundByLoess(
  cycles: readonly [Stretch, Stretch],
  options: ByLoess,
  leftOut: ReadonlySet<number>,
): FoundBoth {
  const { values, firstT } = cycles[0]
  requireEndingSoon(options, values.length)
  const fitted = values.map((value, i) => (leftOut.has(firstT + i) ? null : value))
  cycles.forEach((cycle) => requireEverySeason(cycle, fitted))
  const { shorter, longer, trendCycle, weights } = byLoess(fitted, options.model, options)
  const found = (cycle: Stretch, byPeriod: readonly number[]): Found => {
    const m = cycle.calendar.seasons
    const parameters = stlParameters(options, values.length, m)
    const of = <T>(list: readonly T[], season: number) =>
      list.filter((_, i) => cycle.seasonOf[i] === season)
    const all = Array.from({ length: m }, (_, k) => k + 1)
    const costs = costsOf(cycle, fitted, parameters)
    return {
      byPeriod,
      index: all.map((season) => of(byPeriod, season).at(-1)!),
      raw: all.map((season) => mean(of(byPeriod, season))!),
      counts: all.map((season) => of(fitted, season).filter((value) => value !== null).length),
      ...{ rawIndexMean: null, sharedMeans: [], departures: null },
      uncertainty: costs.map(({ uncertainty }) => uncertainty),
      cost: (m - 1) * mean(costs.map(({ trace }) => trace))!,
    }
  }
  return {
    found: [found(cycles[0], shorter), found(cycles[1], longer)],
    ...{ trendCycle, weights, rounds: null },
  }
}

/** Each season on the values without the other: what it is seen in, how strong it is, whether it is there. */
function judged(
  cycles: readonly [Stretch, Stretch],
  found: readonly [Found, Found],
  trendCycle: readonly Value[],
  model: Model,
): [SeasonOfTwo, SeasonOfTwo] {
  const { values } = cycles[0]
  const level = without(values, trendCycle, model)
  const [first, second] = ([0, 1] as const).map((k): SeasonOfTwo => {
    const { byPeriod } = found[k]
    const seasonalIrregular = without(level, found[k === 0 ? 1 : 0].byPeriod, model)
    const tests = testSeason(cycles[k], seasonalIrregular, () => true, model)
    return {
      ...saidOf(found[k]),
      seasonalIrregular,
      strength: strengthsOf(model, {
        ...{ trend: trendCycle, seasonal: byPeriod },
        remainder: without(seasonalIrregular, byPeriod, model),
      }).season,
      ...toldOf(
        tests,
        k === 0 ? null : shareAsLike(seasonalIrregular, cycles[1].calendar.seasons),
        k,
      ),
    }
  })
  return [first!, second!]
}

/** The shorter comes often enough to be tested by its spread; the longer must come back after its own length too. */
function toldOf(
  { found, stable }: SeasonTests,
  asLike: Value,
  k: 0 | 1,
): Pick<SeasonOfTwo, 'found' | 'p' | 'asLike'> {
  if (k === 0) return { found, p: stable.p, asLike: null }
  return { found: asLike === null ? null : found && comesBack(asLike), p: stable.p, asLike }
}

function saidOf({ index, raw, counts, rawIndexMean, sharedMeans, byPeriod, departures }: Found) {
  const own = { index, raw, counts, rawIndexMean, sharedMeans, byPeriod, departures }
  return { seasons: index.length, ...own }
}

function rowsOf({ index, raw, counts, uncertainty }: Found): SeasonalIndex[] {
  return index.map((value, k) => ({
    ...{ season: k + 1, count: counts[k]!, raw: raw[k]!, index: value },
    uncertainty: uncertainty[k]!,
  }))
}

/** @throws Refusal where the longer season has not come round often enough */
function requireCycles({ values }: Stretch, longer: number): void {
  const hasGaps = values.includes(null)
  const needed = (hasGaps ? 3 : 2) * longer
  if (values.length >= needed) return
  throw new Refusal(
    `Too short: a season of ${longer} beside another must have come round ${hasGaps ? 'three times, as values are missing' : 'twice'} (${needed} periods); there are ${values.length}.`,
    'series',
    { periodsNeeded: needed },
  )
}

/** Each season is found twice. */
const TIMES = 2
/** Averages over both cycles, in some ten rounds. */
const STEPS_A_ROUND = 60

/** About how many multiplications it takes. */
export function stepsOfTwoSeasons(options: TwoSeasonsOptions, { periods }: Extent): number {
  const { seasons } = options
  if (options.each === 'averages') return periods * (seasons[0] + seasons[1] + STEPS_A_ROUND)
  return seasons.reduce(
    (sum, m) =>
      sum + TIMES * stepsOfPasses(stlParameters(options, periods, m), { periods, seasons: m }),
    0,
  )
}

function requireEndingSoon(options: ByLoess, periods: number): void {
  requireBounded(
    stepsOfTwoSeasons(options, { periods, seasons: options.seasons[0] }),
    `Loess over seasons of ${options.seasons.join(' and ')} and ${periods} periods`,
    'Take fewer passes or a shorter span, or find each season by averages',
    'decompose.each',
  )
}
