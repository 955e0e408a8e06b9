import type { Value } from '../series/series'
import { step } from './step'
import { needsPositive, type InitialStates, type SmoothingForm, type Weights } from './forms'

/** What of a pass has left the conditions of its form: it must stay above 0. */
export type Left = 'level' | 'growth' | 'index' | 'mean'

/** A smoothing ready to be run again and again: a search does so thousands of times. */
export interface Runner {
  readonly form: SmoothingForm
  readonly n: number
  readonly seasons: number
  /** Periods with a value. */
  readonly observed: number
  /** The values; a missing one is NaN. */
  readonly values: Float64Array
  /** States that each period of the last run started from; of the season the one that it used. */
  readonly before: {
    readonly level: Float64Array
    readonly trend: Float64Array
    readonly season: Float64Array
  }
  /** One-step forecasts and errors of the last run; the error of a missing period is NaN. */
  readonly fitted: Float64Array
  readonly error: Float64Array
  /** States at the end of the last run: level, trend, and the seasons in the order of the periods that come. */
  readonly end: { level: number; trend: number; readonly season: Float64Array }
  /** Figures of the last run over observed periods: Σe², Σ(e/μ)², Σ ln|μ|. */
  readonly sums: { sse: number; sseRelative: number; logMu: number }
  /** Where the last run broke off, entries from 0 and on into the periods ahead, and on what; its sums mean nothing then. */
  readonly broke: { at: number; on: Left }
  /**
   * One pass over the values, and on over the periods ahead where something must stay above 0.
   *
   * @param weights α, β, γ, φ; those that the form does not have are not read
   * @param states level, trend, then the m seasons
   * @returns false when something that must stay above 0 does not: the pass ends there
   */
  run(weights: Float64Array, states: Float64Array): boolean
}

/**
 * Prepares a smoothing of values.
 *
 * The pass itself keeps to numbers and typed arrays, with the form's parts as constants outside the loop, since it is
 * what a search spends its time on.
 *
 * @param values one a period, null = missing: there the states move on as if the forecast had come true
 * What must stay above 0: with a season that multiplies the level before and after each value, and every index; with a
 * trend that multiplies level and growth; with errors in proportion the mean. Where any of these is asked for every value
 * is above 0, so every forecast ahead must be too.
 *
 * @param seasons m
 * @param horizon periods ahead that have to be kept as well
 * @see Holt (1957), reprinted 2004, International Journal of Forecasting 20; Winters (1960), Management Science 6
 */
export function runnerOf(
  values: readonly Value[],
  form: SmoothingForm,
  seasons: number,
  horizon = 0,
): Runner {
  const n = values.length
  const y = Float64Array.from(values, (value) => value ?? NaN)
  const fitted = new Float64Array(n)
  const error = new Float64Array(n)
  const before = {
    level: new Float64Array(n),
    trend: new Float64Array(n),
    season: new Float64Array(n),
  }
  const season = new Float64Array(form.season === 'none' ? 1 : seasons)
  const end = { level: 0, trend: 0, season: new Float64Array(season.length) }
  const sums = { sse: 0, sseRelative: 0, logMu: 0 }
  const broke: Runner['broke'] = { at: 0, on: 'level' }
  const reach = needsPositive(form) ? horizon : 0
  const m = season.length
  const hasTrend = form.trend !== 'none'
  const damps = form.trend === 'damped'
  const grows = form.trend === 'multiplicative'
  const adds = form.season === 'additive'
  const factors = form.season === 'multiplicative'
  const isRelative = form.error === 'proportional'

  function leave(at: number, on: Left): false {
    broke.at = at
    broke.on = on
    return false
  }

  function run(weights: Float64Array, states: Float64Array): boolean {
    // Held in local names: the loop is then one piece of machine code for each form, without a look outside.
    const [own, out, errors, count] = [y, fitted, error, n]
    const [isDamped, isGrowing, isTrended] = [damps, grows, hasTrend]
    const [isAdded, isFactor, isShare, length] = [adds, factors, isRelative, m]
    const indices = season
    const { level: levels, trend: trends, season: seasonsUsed } = before
    const alpha = weights[0]!
    const beta = weights[1]!
    const gamma = weights[2]!
    const phi = isDamped ? weights[3]! : 1
    let level = states[0]!
    let trend = states[1]!
    for (let k = 0; k < length; k++) indices[k] = states[2 + k]!
    let sse = 0
    let sseRelative = 0
    let logMu = 0
    let product = 1
    let k = 0
    if (isGrowing && !(level > 0)) return leave(0, 'level')
    if (isGrowing && !(trend > 0)) return leave(0, 'growth')
    for (let t = 0; t < count; t++) {
      const base = phi * trend
      const u = isGrowing ? level * trend : isTrended ? level + base : level
      const s = indices[k]!
      levels[t] = level
      trends[t] = trend
      seasonsUsed[t] = s
      const mu = isFactor ? u * s : isAdded ? u + s : u
      if (isFactor && !(u > 0)) return leave(t, 'level')
      if (isFactor && !(s > 0)) return leave(t, 'index')
      if (isShare && !(mu > 0)) return leave(t, 'mean')
      out[t] = mu
      const value = own[t]!
      const e = value - mu
      errors[t] = e
      if (value === value) {
        sse += e * e
        if (isShare) {
          const relative = e / mu
          sseRelative += relative * relative
          // One logarithm of a product in place of one each, taken before the product leaves the numbers.
          product *= mu
          if (product > 1e200 || product < 1e-200) {
            logMu += Math.log(product)
            product = 1
          }
        }
        const next = u + alpha * (isFactor ? e / s : e)
        if (isGrowing) trend = (beta * next) / level + (1 - beta) * trend
        else if (isTrended) trend = beta * (next - level) + (1 - beta) * base
        level = next
        if (isFactor) {
          const index = (gamma * value) / level + (1 - gamma) * s
          if (!(level > 0)) return leave(t, 'level')
          if (!(index > 0)) return leave(t, 'index')
          indices[k] = index
        } else if (isAdded) indices[k] = gamma * (value - level) + (1 - gamma) * s
        if (isGrowing && !(level > 0)) return leave(t, 'level')
        if (isGrowing && !(trend > 0)) return leave(t, 'growth')
      } else {
        level = u
        if (!isGrowing) trend = base
      }
      if (++k === length) k = 0
    }
    end.level = level
    end.trend = trend
    // The season that the next period uses comes first.
    for (let i = 0; i < length; i++) end.season[i] = indices[(k + i) % length]!
    sums.sse = sse
    sums.sseRelative = sseRelative
    sums.logMu = logMu + Math.log(product)
    if (!Number.isFinite(sse)) return leave(count - 1, 'level')
    for (let h = 0; h < reach; h++) {
      const base = phi * trend
      level = isGrowing ? level * trend : isTrended ? level + base : level
      if (!isGrowing) trend = base
      const s = indices[k]!
      if (isFactor && !(level > 0)) return leave(count + h, 'level')
      const mu = isFactor ? level * s : isAdded ? level + s : level
      if (!(mu > 0)) return leave(count + h, 'mean')
      if (++k === length) k = 0
    }
    return true
  }

  const observed = values.reduce<number>((count, value) => count + Number(value !== null), 0)
  return { form, n, seasons, observed, values: y, before, fitted, error, end, sums, broke, run }
}

/** The weights of a form as a pass takes them. */
export function packWeights({ alpha = 0, beta = 0, gamma = 0, phi = 1 }: Weights): Float64Array {
  return Float64Array.of(alpha, beta, gamma, phi)
}

/** Initial states as a pass takes them. */
export function packStates({ level, trend, season }: InitialStates): Float64Array {
  return Float64Array.of(level, trend ?? 0, ...(season ?? [0]))
}

/** A smoothing period by period, undefined where it has no figure. */
export interface Smoothed {
  readonly fitted: readonly number[]
  readonly residual: readonly Value[]
  /** States at the end of each period. */
  readonly level: readonly number[]
  readonly trend?: readonly number[]
  readonly season?: readonly number[]
  /** The states that the forecast starts from, the season of the next period first. */
  readonly end: InitialStates
}

/**
 * Every state of a smoothing, for its rows; what {@link runnerOf} does without keeping them.
 *
 * @example trend additive, α = 0.5, β = 0.4, l₀ = 19, b₀ = 2, y = 21, 24: levels 21, 23.5, trends 2, 2.2
 */
export function smoothed(
  values: readonly Value[],
  form: SmoothingForm,
  weights: Weights,
  initial: InitialStates,
): Smoothed {
  const hasTrend = form.trend !== 'none'
  const season = [...(initial.season ?? [])]
  const m = season.length
  let [level, trend] = [initial.level, initial.trend ?? 0]
  const rows = values.map((value, t) => {
    const own = step(form, weights, { level, trend, season: season[t % m] ?? 0 }, value)
    level = own.level
    trend = own.trend
    if (m > 0) season[t % m] = own.season
    return { ...own, residual: value === null ? null : value - own.fitted }
  })
  const first = values.length % Math.max(1, m)
  return {
    fitted: rows.map((row) => row.fitted),
    residual: rows.map((row) => row.residual),
    level: rows.map((row) => row.level),
    ...(hasTrend ? { trend: rows.map((row) => row.trend) } : {}),
    ...(m > 0 ? { season: rows.map((row) => row.season) } : {}),
    end: {
      level,
      ...(hasTrend ? { trend } : {}),
      ...(m > 0 ? { season: season.map((_, i) => season[(first + i) % m]!) } : {}),
    },
  }
}

/** The recursion without errors: what it says of the periods ahead. */
export function projected(
  { trend: kind, season: seasonal }: SmoothingForm,
  { level, trend = 0, season = [] }: InitialStates,
  phi: number,
  horizon: number,
): number[] {
  let reach = 0
  return Array.from({ length: horizon }, (_, i) => {
    reach += kind === 'damped' ? phi ** (i + 1) : 1
    const u =
      kind === 'none'
        ? level
        : kind === 'multiplicative'
          ? level * trend ** (i + 1)
          : level + reach * trend
    if (seasonal === 'none') return u
    const s = season[i % season.length]!
    return seasonal === 'additive' ? u + s : u * s
  })
}
