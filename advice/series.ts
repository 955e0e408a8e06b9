import { calendarOf } from '../core/calendar/calendar'
import type { Model } from '../core/model'
import type { Series } from '../core/series/series'

/** Seeded random numbers. */
export interface Random {
  uniform(): number
  normal(): number
}

/** The same numbers for the same seed, on every machine. */
export function randomFrom(seed: number): Random {
  let state = (Math.imul(seed, 2654435761) + 1) >>> 0
  const uniform = () => {
    // A shift register beside a congruence, so that neighbouring seeds share nothing.
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    let mixed = state ^ (state >>> 15)
    mixed = Math.imul(mixed, 2246822519) >>> 0
    return ((mixed ^ (mixed >>> 13)) >>> 0) / 2 ** 32
  }
  const normal = () => {
    const [u, v] = [Math.max(uniform(), 1e-12), uniform()]
    return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * v)
  }
  for (let i = 0; i < 8; i++) uniform()
  return { uniform, normal }
}

/** What a made series is like; everything a share of its level at the start. */
export interface Recipe {
  readonly truth: Model
  readonly months: number
  readonly seed: number
  /** Half of the range of the season. */
  readonly season: number
  readonly noise: number
  /** Growth over the whole span. */
  readonly growth: number
  /** Share of values doubled or halved. */
  readonly outliers?: number
  /** Autocorrelation of the noise. */
  readonly likeness?: number
  /** What the level wanders each month, as a share of the noise. */
  readonly wander?: number
  /** The trend itself, in place of the growth: level of each month, 1 at the start. */
  readonly level?: (t: number) => number
}

/** A series with known truth, and where its outliers are. */
export function makeSeries(recipe: Recipe): { series: Series; freaks: number[] } {
  const random = randomFrom(recipe.seed)
  const { truth, months, growth, likeness = 0, outliers = 0 } = recipe
  const shape = Array.from({ length: 12 }, () => random.normal())
  const centre = shape.reduce((sum, value) => sum + value, 0) / 12
  const largest = Math.max(...shape.map((value) => Math.abs(value - centre)))
  const season = shape.map((value) => (recipe.season * (value - centre)) / largest)
  const freaks: number[] = []
  let error = 0
  let drift = 1
  const values = Array.from({ length: months }, (_, t) => {
    if (recipe.wander) drift *= 1 + recipe.noise * recipe.wander * random.normal()
    const level = 1000 * drift * (recipe.level?.(t) ?? 1 + (growth * t) / months)
    const fresh = random.normal() * Math.sqrt(1 - likeness ** 2)
    error = t === 0 ? random.normal() : likeness * error + fresh
    const noise = recipe.noise * error
    // An additive season and noise are as large as the multiplicative ones are in the middle of the span.
    const middle = 1000 * (1 + growth / 2)
    const value =
      truth === 'additive'
        ? level + middle * (season[t % 12]! + noise)
        : level * (1 + season[t % 12]!) * (1 + noise)
    if (random.uniform() >= outliers) return value
    freaks.push(t)
    return random.uniform() < 0.5 ? value * 2 : value / 2
  })
  return {
    freaks,
    series: {
      name: 'Made',
      unit: 'units',
      calendar: calendarOf('monthly'),
      start: { cycle: 2010, season: 1 },
      values,
    },
  }
}
