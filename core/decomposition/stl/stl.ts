import type { Value } from '../../series'
import { bisquareWeights } from './bisquare'
import { lowPass } from './lowPass'
import { smoothWeighted, spacedLoess, type SpacedLoess } from './spacedLoess'
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
  const given = new Float64Array(n)
  const rho = new Float64Array(n)
  let largest = 0
  y.forEach((value, i) => {
    if (value === null) return
    isPresent[i] = rho[i] = 1
    given[i] = value
    largest = Math.max(largest, Math.abs(value))
  })
  const trend = new Float64Array(n)
  const seasonal = new Float64Array(n)
  const remainder = new Float64Array(n)
  const work = workspace(n, seasons)
  const season = subseries(n, seasons, windows.seasonal, degrees.seasonal)
  const level = lowPass(n, seasons, windows.lowPass, degrees.lowPass)
  const trendLoess = spacedLoess(n, windows.trend, degrees.trend, false)
  let hadEmptyWindow = false
  let weighing: { remainder: Float64Array; bandwidth: number } | null = null

  for (let run = 0; ; run++) {
    for (let pass = 0; pass < inner; pass++) {
      work.trendBefore.set(trend)
      difference(given, trend, work.input)
      if (!smoothSeasons(season, work, rho, isPresent)) hadEmptyWindow = true
      level.apply(work.smooth, work.level)
      takeSeason(given, work, seasons, rho, seasonal)
      if (!smoothWeighted(trendLoess, rho, work.weighted, trend)) {
        hadEmptyWindow = true
        standIn(trend, work.input, isPresent, 0)
      }
    }
    if (run >= outer) break
    const count = remainders(given, trend, seasonal, isPresent, remainder, work.size)
    const bandwidth = bisquareWeights(work.size, count, remainder, isPresent, largest, rho)
    if (bandwidth === null) break
    work.weighed.set(remainder)
    weighing = { remainder: work.weighed, bandwidth }
  }
  if (isPeriodic) averageSeasons(seasonal, seasons)
  return {
    trend: Array.from(trend),
    seasonal: Array.from(seasonal),
    remainder: y.map((value, i) => (value === null ? null : value - trend[i]! - seasonal[i]!)),
    weights: Array.from(rho),
    lastPass: {
      trendBefore: Array.from(work.trendBefore),
      smooth: Array.from(work.smooth.subarray(seasons, seasons + n)),
      level: Array.from(work.level),
      weighing: weighing && { ...weighing, remainder: Array.from(weighing.remainder) },
    },
    hadEmptyWindow,
  }
}

/** a − b. */
function difference(a: Float64Array, b: Float64Array, to: Float64Array): void {
  for (let i = 0; i < to.length; i++) to[i] = a[i]! - b[i]!
}

/** S = C − L, and what is left without it, ready for the trend. */
function takeSeason(
  given: Float64Array,
  { smooth, level, input, weighted }: Workspace,
  seasons: number,
  rho: Float64Array,
  seasonal: Float64Array,
): void {
  for (let i = 0; i < seasonal.length; i++) {
    const season = smooth[i + seasons]! - level[i]!
    const rest = given[i]! - season
    seasonal[i] = season
    input[i] = rest
    weighted[i] = rho[i]! * rest
  }
}

/** R = y − T − S, and |R| of the observed periods at the head of a list; how many those are. */
function remainders(
  given: Float64Array,
  trend: Float64Array,
  seasonal: Float64Array,
  isPresent: Uint8Array,
  remainder: Float64Array,
  size: Float64Array,
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
  readonly input: Float64Array
  /** ρ·y. */
  readonly weighted: Float64Array
  readonly size: Float64Array
  /** C: the seasonal smooth with a year before and a year after. */
  readonly smooth: Float64Array
  readonly level: Float64Array
  readonly trendBefore: Float64Array
  readonly weighed: Float64Array
}

function workspace(n: number, seasons: number): Workspace {
  return {
    input: new Float64Array(n),
    weighted: new Float64Array(n),
    size: new Float64Array(n),
    smooth: new Float64Array(n + 2 * seasons),
    level: new Float64Array(n),
    trendBefore: new Float64Array(n),
    weighed: new Float64Array(n),
  }
}

/** One season's values over the years, for each of the two lengths that seasons can have. */
interface Subseries {
  readonly seasons: number
  /** Loess for the first `longer` seasons and for the rest. */
  readonly loess: readonly [SpacedLoess, SpacedLoess]
  readonly longer: number
  /** ρ and ρ·y of one season. */
  readonly rho: Float64Array
  readonly weighted: Float64Array
  readonly input: Float64Array
  readonly isPresent: Uint8Array
  readonly fitted: Float64Array
}

function subseries(n: number, seasons: number, window: number, degree: 0 | 1): Subseries {
  const years = Math.ceil(n / seasons)
  const longer = n % seasons === 0 ? seasons : n % seasons
  const long = spacedLoess(years, window, degree, true)
  return {
    seasons,
    loess: [long, longer === seasons ? long : spacedLoess(years - 1, window, degree, true)],
    longer,
    rho: new Float64Array(years),
    weighted: new Float64Array(years),
    input: new Float64Array(years),
    isPresent: new Uint8Array(years),
    fitted: new Float64Array(years + 2),
  }
}

/** Smooths every season's own values into C; whether every window had weight. */
function smoothSeasons(
  own: Subseries,
  { input, smooth }: Workspace,
  rho: Float64Array,
  isPresent: Uint8Array,
): boolean {
  const { seasons, longer, fitted, weighted } = own
  let complete = true
  for (let season = 0; season < seasons; season++) {
    const geometry = own.loess[season < longer ? 0 : 1]
    const years = geometry.n
    for (let j = 0, i = season; j < years; j++, i += seasons) {
      own.rho[j] = rho[i]!
      weighted[j] = rho[i]! * input[i]!
    }
    if (!smoothWeighted(geometry, own.rho, weighted, fitted)) {
      complete = false
      for (let j = 0, i = season; j < years; j++, i += seasons) {
        own.input[j] = input[i]!
        own.isPresent[j] = isPresent[i]!
      }
      standIn(fitted.subarray(0, years + 2), own.input, own.isPresent, 1)
    }
    for (let j = 0, i = season; j < years + 2; j++, i += seasons) smooth[i] = fitted[j]!
  }
  return complete
}

/**
 * Fills places whose windows had no weight: with the series' own value, at a missing point with the nearest
 * smoothed one (the earlier on a tie), and at an added end with its neighbour.
 *
 * @param beyond places before the first point: 1 when ends were added, else 0
 */
function standIn(
  fitted: Float64Array,
  input: Float64Array,
  isPresent: Uint8Array,
  beyond: 0 | 1,
): void {
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
function averageSeasons(seasonal: Float64Array, seasons: number): void {
  for (let season = 0; season < seasons; season++) {
    let sum = 0
    let count = 0
    for (let i = season; i < seasonal.length; i += seasons, count++) sum += seasonal[i]!
    for (let i = season; i < seasonal.length; i += seasons) seasonal[i] = sum / count
  }
}
