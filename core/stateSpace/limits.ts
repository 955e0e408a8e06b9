import type { Value } from '../series/series'
import { normalQuantile } from '../statistics/distributions'
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
  /** One sorted list of {@link PATHS} values a period ahead; a path that has ended is −∞, below every limit. */
  readonly sorted: readonly Float64Array[]
  /** How many have ended by each period. */
  readonly ended: readonly number[]
}

/**
 * Values of simulated paths. A path whose level or mean leaves what its form asks for, or of which every draw does, ends
 * there: no redrawing brings it back, and a limit must not be made of the paths that were lucky.
 *
 * @param end states at the end of the last observed period, the season of the next period first
 * @param missingAtEnd periods between that and the first forecast
 * @param uniform seeded random numbers from 0 to 1, neither end
 */
export function simulatedPaths(
  form: SmoothingForm,
  { alpha = 0, beta = 0, gamma = 0, phi = 1 }: Weights,
  end: InitialStates,
  source: ErrorSource,
  { missingAtEnd, horizon }: { missingAtEnd: number; horizon: number },
  uniform: () => number,
): SimulatedPaths {
  const steps = missingAtEnd + horizon
  const paths = Array.from({ length: horizon }, () => new Float64Array(PATHS))
  const ended = Array<number>(horizon).fill(0)
  const draw = drawerOf(source, uniform)
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
  for (const one of paths) one.sort()
  return { sorted: paths, ended }
}

/**
 * Quantiles of simulated paths: by level (per cent) lower and upper limits, one entry a period ahead; undefined where so
 * many paths have ended that the quantile is one of them.
 */
export function limitsOfPaths(
  { sorted }: SimulatedPaths,
  levels: readonly number[],
): Record<string, { readonly lower: Value[]; readonly upper: Value[] }> {
  return Object.fromEntries(
    levels.map((level) => {
      const tail = (1 - level / 100) / 2
      return [
        String(level),
        {
          lower: sorted.map((one) => quantileOf(one, tail)),
          upper: sorted.map((one) => quantileOf(one, 1 - tail)),
        },
      ]
    }),
  )
}

/** Errors of the next step: normal ones in pairs, or residuals drawn with replacement. */
function drawerOf(source: ErrorSource, uniform: () => number): () => number {
  if ('residuals' in source) {
    const { residuals } = source
    return () => residuals[Math.floor(uniform() * residuals.length)]!
  }
  let spare: number | null = null
  return () => {
    if (spare !== null) {
      const kept = spare
      spare = null
      return kept
    }
    const radius = source.sigma * Math.sqrt(-2 * Math.log(uniform()))
    const angle = 2 * Math.PI * uniform()
    spare = radius * Math.sin(angle)
    return radius * Math.cos(angle)
  }
}

/** Linear between the sorted values at 1 + (n − 1)p; undefined among paths that have ended. */
function quantileOf(sorted: Float64Array, p: number): Value {
  const at = (sorted.length - 1) * p
  const below = Math.floor(at)
  if (sorted[below] === -Infinity) return null
  const share = at - below
  return sorted[below]! + share * ((sorted[below + 1] ?? sorted[below]!) - sorted[below]!)
}
