import { calendarOf, type Frequency } from '../core/calendar/calendar'
import type { Series } from '../core/series/series'
import { randomFrom, type Random } from './series'

/** A series whose level is made step by step. */
export interface Kind {
  readonly name: string
  /** The level of a period, 1 at first; `before` is that of the period before, 1 at the start. */
  level(t: number, before: number, random: Random, seasons: number, length: number): number
  /** Autocorrelation of the noise. */
  readonly likeness?: number
}

/** Levels unlike one another: what is said of one must not be a rule made for another. */
export const KINDS = {
  flat: { name: 'a level', level: () => 1 },
  line: { name: 'a line', level: (t, _, __, m) => 1 + (0.06 * t) / m },
  likeLine: {
    name: 'a line, noise alike by 0.5',
    level: (t, _, __, m) => 1 + (0.06 * t) / m,
    likeness: 0.5,
  },
  veryLikeLine: {
    name: 'a line, noise alike by 0.7',
    level: (t, _, __, m) => 1 + (0.06 * t) / m,
    likeness: 0.7,
  },
  walk: { name: 'a walk', level: (_, before, random) => before * (1 + 0.03 * random.normal()) },
  noisyWalk: {
    name: 'a level that wanders by half the noise',
    level: (_, before, random) => before * (1 + 0.015 * random.normal()),
  },
  turn: {
    name: 'a turn',
    level: (t, _, __, m, n) => 1 + (0.14 * (t < 0.6 * n ? t : 1.2 * n - t)) / m,
  },
  step: { name: 'a step of a quarter', level: (t, _, __, ___, n) => (t < n / 2 ? 1 : 1.25) },
  stairs: { name: 'a staircase', level: (t, _, __, ___, n) => 1 + 0.15 * Math.floor((4 * t) / n) },
  growth: { name: 'steady growth', level: (t, _, __, m) => Math.exp((0.08 * t) / m) },
} as const satisfies Record<string, Kind>

/** What a made series is like beside its level. */
export interface Making {
  readonly length: number
  readonly seed: number
  readonly noise?: number
  /** Half of the range of the season. */
  readonly season?: number
  readonly frequency?: Frequency
}

/** A multiplicative series of a kind. */
export function makeKind(
  { level, likeness = 0 }: Kind,
  { length, seed, noise = 0.03, season = 0.3, frequency = 'monthly' }: Making,
): Series {
  const random = randomFrom(31 * seed + length)
  const calendar = calendarOf(frequency)
  const m = calendar.seasons
  const shape = Array.from({ length: m }, () => random.normal())
  const centre = shape.reduce((sum, value) => sum + value, 0) / m
  const largest = Math.max(...shape.map((value) => Math.abs(value - centre)), 1e-9)
  let [before, error] = [1, random.normal()]
  const values = Array.from({ length }, (_, t) => {
    before = level(t, before, random, m, length)
    error = likeness * error + Math.sqrt(1 - likeness ** 2) * random.normal()
    const factor = 1 + (season * (shape[t % m]! - centre)) / largest
    return 1000 * before * factor * (1 + noise * error)
  })
  return { name: 'Made', unit: 'units', calendar, start: { cycle: 2000, season: 1 }, values }
}
