import quickselect from 'quickselect'
import type { Value } from '../series/series'
import { normalQuantile } from '../statistics/distributions'
import { seededNormals, seededUniform } from '../statistics/random'
import { needsPositive, type InitialStates, type SmoothingForm, type Weights } from './forms'

/** Whether the variance ahead has a formula: additive throughout. */
export function hasFormula({ trend, season, error }: SmoothingForm): boolean {
  return error === 'additive' && trend !== 'multiplicative' && season !== 'multiplicative'
}

/**
 * What an error j periods back still moves a forecast by: α(1 + βφ_j) + γ(1 − α) every m periods.
 *
 * @param count c₁ … c_count
 */
export function carriedOver(
  { trend, season }: SmoothingForm,
  { alpha = 0, beta = 0, gamma = 0, phi = 1 }: Weights,
  seasons: number,
  count: number,
): number[] {
  let reach = 0
  return Array.from({ length: count }, (_, i) => {
    const j = i + 1
    reach += trend === 'damped' ? phi ** j : trend === 'additive' ? 1 : 0
    const level = alpha * (1 + beta * reach)
    return season === 'additive' && j % seasons === 0 ? level + gamma * (1 - alpha) : level
  })
}

/** Variance ahead as a multiple of σ²: 1 + Σ c², with periods missing at the end counted in. */
export function varianceFactors(
  carried: readonly number[],
  missingAtEnd: number,
  horizon: number,
): number[] {
  let sum = 1
  const factors = [1]
  for (const c of carried) {
    sum += c * c
    factors.push(sum)
  }
  return factors.slice(missingAtEnd, missingAtEnd + horizon)
}

/** Lower and upper limit around forecasts by the normal distribution. */
export function formulaLimits(
  forecast: readonly number[],
  factors: readonly number[],
  sigma2: Value,
  level: number,
) {
  const z = normalQuantile(level)
  const limit = (sign: 1 | -1) =>
    forecast.map((point, i) =>
      sigma2 === null ? null : point + sign * z * Math.sqrt(sigma2 * factors[i]!),
    )
  return { lower: limit(-1), upper: limit(1) }
}

/** Where simulated paths take their errors from. */
export type ErrorSource = { readonly sigma: number } | { readonly residuals: readonly number[] }

export const PATHS = 5000
/** A draw that is not admissible is drawn again this often; where none of so many is, the path has nowhere to go. */
const MOST_REDRAWS = 50

/** Simulated paths, period by period. */
export interface SimulatedPaths {
  /** One list of {@link PATHS} values a period ahead, in any order; a path that has ended is −∞, below every limit. */
  readonly values: readonly number[][]
  /** How many have ended by each period. */
  readonly ended: readonly number[]
}

/**
 * Values of simulated paths. A path whose level or mean leaves what its form asks for, or of which every draw does, ends
 * there: no redrawing brings it back, and a limit must not be made of the paths that were lucky.
 *
 * @param end states at the end of the last observed period, the season of the next period first
 * @param missingAtEnd periods between that and the first forecast
 * @param seed the same paths for the same one
 */
export function simulatedPaths(
  form: SmoothingForm,
  { alpha = 0, beta = 0, gamma = 0, phi = 1 }: Weights,
  end: InitialStates,
  source: ErrorSource,
  { missingAtEnd, horizon }: { missingAtEnd: number; horizon: number },
  seed: number,
): SimulatedPaths {
  const steps = missingAtEnd + horizon
  const paths = Array.from({ length: horizon }, () => Array<number>(PATHS).fill(0))
  const ended = Array<number>(horizon).fill(0)
  const draw = drawerOf(source, seed, PATHS * steps)
  const m = end.season?.length ?? 0
  const season = new Float64Array(Math.max(1, m))
  const damping = form.trend === 'damped' ? phi : 1
  const grows = form.trend === 'multiplicative'
  const hasTrend = form.trend !== 'none'
  const factors = form.season === 'multiplicative'
  const adds = form.season === 'additive'
  const isRelative = form.error === 'proportional'
  const positive = needsPositive(form)
  for (let path = 0; path < PATHS; path++) {
    let level = end.level
    let trend = end.trend ?? 0
    for (let k = 0; k < m; k++) season[k] = end.season![k]!
    for (let step = 0; step < steps; step++) {
      const k = m > 0 ? step % m : 0
      const base = damping * trend
      const u = grows ? level * trend : hasTrend ? level + base : level
      const s = season[k]!
      const mu = factors ? u * s : adds ? u + s : u
      let [value, next, slope, index] = [mu, u, base, s]
      let isKept = !(factors && !(u > 0)) && !(isRelative && !(mu > 0))
      // A draw that would make something negative that must not be is drawn again.
      for (let tries = 0; isKept; tries++) {
        if (tries === MOST_REDRAWS) {
          isKept = false
          break
        }
        const drawn = draw()
        value = isRelative ? mu * (1 + drawn) : mu + drawn
        const e = value - mu
        next = u + alpha * (factors ? e / s : e)
        slope = grows
          ? (beta * next) / level + (1 - beta) * trend
          : beta * (next - level) + (1 - beta) * base
        index = factors
          ? (gamma * value) / next + (1 - gamma) * s
          : gamma * (value - next) + (1 - gamma) * s
        if (
          !positive ||
          (value > 0 &&
            (!(factors || grows) || (next > 0 && (!grows || slope > 0) && (!factors || index > 0))))
        )
          break
      }
      if (!isKept) {
        for (let h = Math.max(0, step - missingAtEnd); h < horizon; h++) {
          paths[h]![path] = -Infinity
          ended[h]!++
        }
        break
      }
      level = next
      if (hasTrend) trend = slope
      if (m > 0) season[k] = index
      if (step >= missingAtEnd) paths[step - missingAtEnd]![path] = value
    }
  }
  return { values: paths, ended }
}

/**
 * Quantiles of simulated paths: by level (per cent) lower and upper limits, one entry a period ahead; undefined where so
 * many paths have ended that the quantile is one of them.
 *
 * @param paths their values are put in another order: a quantile needs those in their places, not all
 */
export function limitsOfPaths(
  { values }: SimulatedPaths,
  levels: readonly number[],
): Record<string, { readonly lower: Value[]; readonly upper: Value[] }> {
  const tails = levels.map((level) => (1 - level / 100) / 2)
  const places = tails
    .flatMap((tail) => [tail, 1 - tail])
    .flatMap((p) => [Math.floor((PATHS - 1) * p), Math.ceil((PATHS - 1) * p)])
    .sort((a, b) => a - b)
  for (const one of values) putInPlace(one, places, 0, PATHS - 1)
  return Object.fromEntries(
    levels.map((level, i) => [
      String(level),
      {
        lower: values.map((one) => quantileOf(one, tails[i]!)),
        upper: values.map((one) => quantileOf(one, 1 - tails[i]!)),
      },
    ]),
  )
}

/** Puts the values of some places where sorting would put them: the middle place first, so that each further search is of a part. */
function putInPlace(
  values: number[],
  places: readonly number[],
  left: number,
  right: number,
): void {
  if (places.length === 0 || left >= right) return
  const middle = places.length >> 1
  const place = places[middle]!
  quickselect(values, place, left, right)
  const below = places.slice(0, middle).filter((one) => one < place)
  putInPlace(values, below, left, place - 1)
  putInPlace(
    values,
    places.slice(middle + 1).filter((one) => one > place),
    place + 1,
    right,
  )
}

/** Errors of the next step: normal ones, or residuals drawn with replacement. */
function drawerOf(source: ErrorSource, seed: number, count: number): () => number {
  if ('residuals' in source) {
    const { residuals } = source
    const uniform = seededUniform(seed)
    return () => residuals[Math.floor(uniform() * residuals.length)]!
  }
  const normal = seededNormals(seed, count)
  return () => source.sigma * normal()
}

/** Linear between the sorted values at 1 + (n − 1)p; undefined among paths that have ended. */
function quantileOf(values: readonly number[], p: number): Value {
  const at = (values.length - 1) * p
  const [below, above] = [values[Math.floor(at)]!, values[Math.ceil(at)]!]
  if (below === -Infinity) return null
  return below + (at - Math.floor(at)) * (above - below)
}
