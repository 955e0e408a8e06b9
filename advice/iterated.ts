import { analyse } from '../core/analyse'
import { calendarOf } from '../core/calendar/calendar'
import type { Series } from '../core/series/series'
import type { Say } from './say'
import { randomFrom } from './series'

type LevelOf = (i: number, normal: () => number) => number

/** Levels under a season of ±20% and noise of 3%. */
const LEVELS: readonly (readonly [name: string, level: () => LevelOf])[] = [
  ['growth', () => (i) => 1000 + 3 * i],
  [
    'a walk',
    () => {
      let level = 1000
      return (_, normal) => (level *= 1 + 0.03 * normal())
    },
  ],
  ['stairs', () => (i) => 1000 * 1.15 ** Math.floor((i + 14) / 31)],
]

function made(level: LevelOf, seasons: 12 | 4, years: number, yearsLate: number, seed: number) {
  const { normal } = randomFrom(seed)
  const count = seasons * years
  const series: Series = {
    ...{ name: 'Made', unit: 'units', start: { cycle: 2005, season: 1 } },
    calendar: calendarOf(seasons === 12 ? 'monthly' : 'quarterly'),
    values: Array.from({ length: count }, (_, i) => {
      const late = i >= count - yearsLate * seasons ? seasons / 4 : 0
      const season = 1 + 0.2 * Math.cos((2 * Math.PI * (i + late)) / seasons)
      return level(i, normal) * season * (1 + 0.03 * normal())
    }),
  }
  return series
}

/** Whether the season that iterated averages leave in the last years is said where there is one, and only there. */
export function iterated(say: Say, count: number): void {
  const told = (series: (seed: number) => Series, seasonalFilter: 'auto' | '3x9') => {
    let found = 0
    for (let seed = 1; seed <= count; seed++) {
      const { findings } = analyse(series(seed), {
        format: 'elvant-method/1',
        decompose: { by: 'iterated', model: 'multiplicative', seasonalFilter },
      })
      if (findings.some(({ code }) => code === 'season-left-lately')) found++
    }
    return (100 * found) / count
  }
  for (const seasons of [12, 4] as const) {
    const calendar = seasons === 12 ? 'months' : 'quarters'
    for (const years of [5, 10, 20]) {
      for (const [name, level] of LEVELS) {
        say(
          `season left in the last years, falsely, ${years} years of ${calendar}, ${name}`,
          told((seed) => made(level(), seasons, years, 0, seed), 'auto'),
          { most: 3 },
        )
      }
    }
    say(
      `season that came a quarter of a year later in the last 3 of 10 years of ${calendar}, under a filter of 11 years`,
      told((seed) => made(LEVELS[0]![1](), seasons, 10, 3, seed), '3x9'),
      { least: 70 },
    )
  }
}
