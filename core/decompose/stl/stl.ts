import type { Value } from '../../series/series'
import { bisquareWeights } from './bisquare'
import { copy, doubles } from './doubles'
import { lowPass } from './lowPass'
import {
  smooth,
  smoothInterleaved,
  spacedLoess,
  type SpacedLoess,
  type WeightedPoints,
} from './spacedLoess'
import type { StlParameters } from './windows'

/** A series taken apart by loess, on the scale it was given. One entry a period in every list. */
export interface StlComponents {
  readonly trend: readonly number[]
  readonly seasonal: readonly number[]
  /** Undefined at a missing period. */
  readonly remainder: readonly Value[]
  /** The robustness weights that the last run used; 0 at a missing period. */
  readonly weights: readonly number[]
  /** What the last inner pass worked with, for retracing its figures. */
  readonly lastPass: LastPass
  /** Whether a window had lost all its weight, and the series' own value stood in. */
  readonly hadEmptyWindow: boolean
}

/** The steps of one inner pass, on the decomposed scale. One entry a period in every list. */
export interface LastPass {
  /** T as it went in: it was taken out of the series before the seasons were smoothed. */
  readonly trendBefore: readonly number[]
  /** C: each season's own values, smoothed over the years. */
  readonly smooth: readonly number[]
  /** L: the level that C still holds. */
  readonly level: readonly number[]
  /** The remainder that the weights were formed from, and h; null when every weight stayed 1. */
  readonly weighing: { readonly remainder: readonly number[]; readonly bandwidth: number } | null
}

/**
 * Seasonal-trend decomposition by loess, with every loess value computed at every point.
 *
 * Each inner pass takes the trend out, smooths every season's own values over the years (and one year
 * beyond either end), takes out what level that smooth holds, and smooths what is left into the trend. Each
 * outer pass gives periods with a large remainder less weight.
 *
 * @param y one value a period, null = missing; at least two years, and a value in every season
 * @param seasons m
 * @param parameters see {@link StlParameters}
 * @see Cleveland, R. B., Cleveland, W. S., McRae, J. E. & Terpenning, I. (1990), STL: a seasonal-trend
 *   decomposition procedure based on loess, Journal of Official Statistics 6, 3–73
 */
export function stl(
  y: readonly Value[],
  seasons: number,
  { isPeriodic, windows, degrees, inner, outer }: StlParameters,
): StlComponents {
  const n = y.length
  const isPresent = new Uint8Array(n)
  const given = doubles(n)
  const rho = doubles(n)
  let largest = 0
  y.forEach((value, i) => {
    if (value === null) return
    isPresent[i] = rho[i] = 1
    given[i] = value
    largest = Math.max(largest, Math.abs(value))
  })
  const trend = doubles(n)
  const seasonal = doubles(n)
  const remainder = doubles(n)
  const work = workspace(n, seasons)
  const season = subseries(n, seasons, windows.seasonal, degrees.seasonal)
  const level = lowPass(n, seasons, windows.lowPass, degrees.lowPass)
  const trendLoess = spacedLoess(n, windows.trend, degrees.trend, false)
  let hadEmptyWindow = false
  let weighing: { remainder: number[]; bandwidth: number } | null = null

  for (let run = 0; ; run++) {
    for (let pass = 0; pass < inner; pass++) {
      copy(trend, work.trendBefore)
      takeTrend(given, trend, rho, work)
      if (!smoothSeasons(season, work, isPresent)) hadEmptyWindow = true
      level.apply(work.smooth, work.level)
      takeSeason(given, work, seasons, rho, seasonal)
      if (!smooth(trendLoess, work.points, trend)) {
        hadEmptyWindow = true
        standIn(trend, work.input, isPresent, 0)
      }
    }
    if (run >= outer) break
    const count = remainders(given, trend, seasonal, isPresent, remainder, work.size)
    const bandwidth = bisquareWeights(work.size, count, remainder, isPresent, largest, rho)
    if (bandwidth === null) break
    copy(remainder, work.weighed)
    weighing = { remainder: work.weighed, bandwidth }
  }
  if (isPeriodic) averageSeasons(seasonal, seasons)
  return {
    trend: trend,
    seasonal: seasonal,
    remainder: y.map((value, i) => (value === null ? null : value - trend[i]! - seasonal[i]!)),
    weights: rho,
    lastPass: {
      trendBefore: work.trendBefore,
      smooth: work.smooth.slice(seasons, seasons + n),
      level: work.level,
      weighing,
    },
    hadEmptyWindow,
  }
}

/** What is left without the trend, ready for the seasons. */
function takeTrend(
  given: number[],
  trend: number[],
  rho: number[],
  { input, points }: Workspace,
): void {
  for (let i = 0; i < input.length; i++) {
    const rest = given[i]! - trend[i]!
    const weight = rho[i]!
    input[i] = rest
    points[2 * i] = weight
    points[2 * i + 1] = weight * rest
  }
}

/** S = C − L, and what is left without it, ready for the trend. */
function takeSeason(
  given: number[],
  { smooth, level, input, points }: Workspace,
  seasons: number,
  rho: number[],
  seasonal: number[],
): void {
  for (let i = 0; i < seasonal.length; i++) {
    const season = smooth[i + seasons]! - level[i]!
    const rest = given[i]! - season
    seasonal[i] = season
    input[i] = rest
    points[2 * i] = rho[i]!
    points[2 * i + 1] = rho[i]! * rest
  }
}

/** R = y − T − S, and |R| of the observed periods at the head of a list; how many those are. */
function remainders(
  given: number[],
  trend: number[],
  seasonal: number[],
  isPresent: Uint8Array,
  remainder: number[],
  size: number[],
): number {
  let count = 0
  for (let i = 0; i < remainder.length; i++) {
    const rest = given[i]! - trend[i]! - seasonal[i]!
    remainder[i] = rest
    if (isPresent[i] === 1) size[count++] = Math.abs(rest)
  }
  return count
}

/** Lists that every pass writes over: nothing is allocated inside the loops. */
interface Workspace {
  readonly input: number[]
  readonly points: WeightedPoints
  readonly size: number[]
  /** C: the seasonal smooth with a year before and a year after. */
  readonly smooth: number[]
  readonly level: number[]
  readonly trendBefore: number[]
  readonly weighed: number[]
}

function workspace(n: number, seasons: number): Workspace {
  return {
    input: doubles(n),
    points: doubles(2 * n),
    size: doubles(n),
    smooth: doubles(n + 2 * seasons),
    level: doubles(n),
    trendBefore: doubles(n),
    weighed: doubles(n),
  }
}

/** One season's values over the years, for each of the two lengths that seasons can have. */
interface Subseries {
  readonly seasons: number
  /** Loess for the first `longer` seasons and for the rest. */
  readonly loess: readonly [SpacedLoess, SpacedLoess]
  readonly longer: number
}

function subseries(n: number, seasons: number, window: number, degree: 0 | 1): Subseries {
  const years = Math.ceil(n / seasons)
  const longer = n % seasons === 0 ? seasons : n % seasons
  const long = spacedLoess(years, window, degree, true)
  return {
    seasons,
    loess: [long, longer === seasons ? long : spacedLoess(years - 1, window, degree, true)],
    longer,
  }
}

/** Smooths every season's own values into C, two seasons of one length at a time; whether all had weight. */
function smoothSeasons(
  { seasons, longer, loess }: Subseries,
  work: Workspace,
  isPresent: Uint8Array,
): boolean {
  let complete = true
  for (let season = 0; season < seasons;) {
    const geometry = loess[season < longer ? 0 : 1]
    const end = season < longer ? longer : seasons
    const other = season + 1 < end ? 1 : 0
    if (!smoothInterleaved(geometry, work.points, season, other, seasons, work.smooth)) {
      complete = false
      standInSeason(work, season, seasons, geometry.n, isPresent)
      if (other === 1) standInSeason(work, season + 1, seasons, geometry.n, isPresent)
    }
    season += 1 + other
  }
  return complete
}

/** Fills the places of one season whose windows had no weight. */
function standInSeason(
  { smooth, input }: Workspace,
  season: number,
  seasons: number,
  years: number,
  isPresent: Uint8Array,
): void {
  const fitted = Array.from({ length: years + 2 }, (_, j) => smooth[season + j * seasons]!)
  const own = Array.from({ length: years }, (_, j) => input[season + j * seasons]!)
  const present = Uint8Array.from({ length: years }, (_, j) => isPresent[season + j * seasons]!)
  standIn(fitted, own, present, 1)
  fitted.forEach((value, j) => (smooth[season + j * seasons] = value))
}

/**
 * Fills places whose windows had no weight: with the series' own value, at a missing point with the nearest
 * smoothed one (the earlier on a tie), and at an added end with its neighbour.
 *
 * @param beyond places before the first point: 1 when ends were added, else 0
 */
function standIn(fitted: number[], input: number[], isPresent: Uint8Array, beyond: 0 | 1): void {
  const points = fitted.length - 2 * beyond
  const isSmoothed = Array.from({ length: points }, (_, j) => !Number.isNaN(fitted[j + beyond]!))
  for (let j = 0; j < points; j++) {
    if (!isSmoothed[j] && isPresent[j] === 1) fitted[j + beyond] = input[j]!
  }
  const isKnown = Array.from({ length: points }, (_, j) => !Number.isNaN(fitted[j + beyond]!))
  for (let j = 0; j < points; j++) {
    if (isKnown[j]) continue
    for (let distance = 1; distance < points; distance++) {
      const at = isKnown[j - distance] ? j - distance : isKnown[j + distance] ? j + distance : -1
      if (at < 0) continue
      fitted[j + beyond] = fitted[at + beyond]!
      break
    }
  }
  if (beyond === 0) return
  if (Number.isNaN(fitted[0]!)) fitted[0] = fitted[1]!
  if (Number.isNaN(fitted[points + 1]!)) fitted[points + 1] = fitted[points]!
}

/** A periodic season is its mean over the years. */
function averageSeasons(seasonal: number[], seasons: number): void {
  for (let season = 0; season < seasons; season++) {
    let sum = 0
    let count = 0
    for (let i = season; i < seasonal.length; i += seasons, count++) sum += seasonal[i]!
    for (let i = season; i < seasonal.length; i += seasons) seasonal[i] = sum / count
  }
}
