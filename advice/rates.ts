import { analyse } from '../core/analyse'
import type { MethodDocument } from '../core/method'
import type { Model } from '../core/model'
import type { Result } from '../core/result'
import type { Series } from '../core/series/series'
import { calendarOf } from '../core/calendar/calendar'
import { residualWords } from '../core/regression/residualWords'
import { beginnings } from './beginnings'
import { calendarEffects } from './calendar'
import { checks } from './checks'
import { datesOfDays } from './dates'
import { iterated } from './iterated'
import { levels } from './levels'
import { offers } from './offers'
import { makeSeries, randomFrom, type Recipe } from './series'

/**
 * How often what is said is right, on series with known truth: every rate beside the limit it must keep. Run it
 * before a rule of advice is changed, and after.
 */
const SERIES = Number(process.argv[2] ?? 200)
const FORMAT = { format: 'elvant-method/1' } as const
const AVERAGES: MethodDocument['decompose'] = { by: 'ratio-to-moving-average' }
const LOESS: MethodDocument['decompose'] = { by: 'stl' }

interface Rate {
  readonly what: string
  /** In per cent. */
  readonly rate: number
  readonly least?: number
  readonly most?: number
}
const rates: Rate[] = []

function say(what: string, rate: number, limits: { least?: number; most?: number }): void {
  rates.push({ what, rate, ...limits })
  const bound = [
    limits.least === undefined ? '' : `at least ${limits.least}%`,
    limits.most === undefined ? '' : `at most ${limits.most}%`,
  ]
    .filter((words) => words !== '')
    .join(', ')
  const holds = rate >= (limits.least ?? -Infinity) && rate <= (limits.most ?? Infinity)
  console.log(`| ${what} | ${rate.toFixed(1)}% | ${bound} | ${holds ? '' : 'MISSED'} |`)
}

/** Per cent of made series for which something is so; of those only for which it can be asked. */
function share(
  recipe: (seed: number) => Recipe,
  is: (made: ReturnType<typeof makeSeries>) => boolean | null,
) {
  let [yes, asked] = [0, 0]
  for (let seed = 1; seed <= SERIES; seed++) {
    const answer = is(makeSeries(recipe(seed)))
    if (answer === null) continue
    asked++
    if (answer) yes++
  }
  return (100 * yes) / asked
}

const run = (series: Series, decompose: MethodDocument['decompose'] = AVERAGES): Result =>
  analyse(series, { ...FORMAT, decompose })
const says = (result: Result, code: string) => result.findings.some((one) => one.code === code)

/** Ten years of a season of ±30% that grows by 80% under noise of 5%. */
const usual =
  (outliers: number) =>
  (seed: number): Recipe => ({
    ...{ truth: 'multiplicative', months: 120, seed, outliers },
    ...{ season: 0.3, noise: 0.05, growth: 0.8 },
  })

function whichModel(): void {
  for (const truth of ['additive', 'multiplicative'] as const) {
    for (const months of [72, 120]) {
      for (const outliers of [0, 0.03]) {
        const wrong = share(
          (seed) => ({ truth, months, seed, outliers, season: 0.3, noise: 0.05, growth: 0.8 }),
          ({ series }) => {
            const { advisedModel } = run(series)
            return advisedModel !== null && !advisedModel.close && advisedModel.better !== truth
          },
        )
        const with3 = outliers > 0 ? ', 3% outliers' : ''
        say(`wrong model: ${truth}, ${months} months${with3}`, wrong, { most: 6 })
      }
    }
  }
}

/** Series without a season: none may be found, by any way. */
function seasons(): void {
  for (const [name, decompose] of [
    ['averages', AVERAGES],
    ['robust loess', LOESS],
  ] as const) {
    for (const months of [48, 120]) {
      const found = share(
        (seed) => ({ truth: 'additive', months, seed, season: 0, noise: 0.05, growth: 0.5 }),
        ({ series }) => run(series, decompose).seasonTests!.found,
      )
      say(`season found in none: ${name}, ${months} months`, found, { most: 8 })
    }
  }
  const missed = share(
    (seed) => ({
      truth: 'multiplicative',
      months: 72,
      seed,
      season: 0.15,
      noise: 0.05,
      growth: 0.5,
    }),
    ({ series }) => !run(series).seasonTests!.found,
  )
  say('season of ±15% under noise of 5% missed, 72 months', missed, { most: 5 })
}

function leftovers(): void {
  for (const outliers of [0, 0.03]) {
    const fans = share(usual(outliers), ({ series }) =>
      says(run(series, { ...AVERAGES, model: 'multiplicative' }), 'leftover-fans'),
    )
    say(`false fan${outliers > 0 ? ', 3% outliers' : ''}`, fans, { most: 10 })
  }
  const waves = share(usual(0), ({ series }) => says(run(series), 'leftover-waves'))
  say('false wave', waves, { most: 8 })
  const random = share(usual(0), ({ series }) => {
    const result = run(series)
    if (!says(result, 'leftover-dull')) return null
    const { autocorrelation: r, limit } = result.leftover
    return r!.slice(0, 12).filter((own) => Math.abs(own) > limit!).length > 1
  })
  say('"looks random" with two or more lags beyond', random, { most: 0 })
}

function outliersNamed(): void {
  for (const truth of ['additive', 'multiplicative'] as const) {
    const recipe = (seed: number): Recipe => ({
      ...{ truth, months: 120, seed, season: 0.3, noise: 0.05, growth: 0.8 },
      outliers: 0.02,
    })
    let [named, made] = [0, 0]
    for (let seed = 1; seed <= SERIES; seed++) {
      const { series, freaks } = makeSeries(recipe(seed))
      const at = new Set(run(series).outliers.map(({ t }) => t - 1))
      made += freaks.length
      named += freaks.filter((t) => at.has(t)).length
    }
    say(`doubled or halved values named, ${truth}`, (100 * named) / made, { least: 95 })
    const falsely = share(
      (seed) => ({ ...recipe(seed), outliers: 0 }),
      ({ series }) => run(series).outliers.length > 0,
    )
    say(`an outlier named without one, ${truth}`, falsely, { most: 5 })
  }
}

function phases(): void {
  const line = (likeness: number, months: number) =>
    share(
      (seed) => ({
        truth: 'additive',
        months,
        seed,
        season: 0,
        noise: 0.03,
        growth: 0.6,
        likeness,
      }),
      ({ series }) => run(series, { by: 'none' }).phases.length === 1,
    )
  for (const months of [60, 120]) {
    say(`one phase for a line, white noise, ${months} months`, line(0, months), { least: 97 })
    say(`one phase for a line, noise alike by 0.5, ${months} months`, line(0.5, months), {
      least: 95,
    })
  }
  for (const [likeness, least] of [
    [0, 88],
    [0.5, 65],
  ] as const) {
    const found = share(
      (seed) => ({
        ...{ truth: 'additive', months: 120, seed, season: 0, noise: 0.03, growth: 0, likeness },
        level: (t) => 1 + 0.006 * (t < 60 ? t : 120 - t),
      }),
      ({ series }) => {
        const { phases: all } = run(series, { by: 'none' })
        return all.length === 2 && Math.abs(all[0]!.to - 60) <= 6
      },
    )
    say(`a turn found within half a year, noise alike by ${likeness}`, found, { least })
  }
}

function steps(): void {
  const told = share(
    (seed) => ({
      ...{ truth: 'multiplicative', months: 120, seed, season: 0.3, noise: 0.02, growth: 0.3 },
      level: (t) => (1 + (0.3 * t) / 120) * (t < 60 ? 1 : 1.25),
    }),
    ({ series }) => Math.abs((run(series).step?.t ?? -99) - 61) <= 2,
  )
  say('a step of 25% under noise of 2% told within two months', told, { least: 95 })
  const stretch = share(
    (seed) => ({
      ...{ truth: 'multiplicative', months: 120, seed, season: 0.3, noise: 0.02, growth: 0.3 },
      level: (t) => {
        const from = 20 + ((seed * 7) % 80)
        return t >= from && t < from + 3 ? 0.75 : 1
      },
    }),
    ({ series }) => run(series).step !== null,
  )
  say('a step told of three months a quarter lower', stretch, { most: 4 })
  for (const outliers of [0, 0.03]) {
    const falsely = share(usual(outliers), ({ series }) => run(series).step !== null)
    say(`a step told without one${outliers > 0 ? ', 3% outliers' : ''}`, falsely, { most: 4 })
  }
}

function moves(): void {
  for (const truth of ['additive', 'multiplicative'] as const) {
    const falsely = share(
      (seed) => ({ truth, months: 120, seed, season: 0.3, noise: 0.05, growth: 0.8 }),
      ({ series }) => says(run(series, { ...AVERAGES, model: truth }), 'season-moves'),
    )
    say(`a season that moves told without one, ${truth}`, falsely, { most: 6 })
  }
}

/** How often the actual value of a further year comes to lie within the limits. */
/** What is said of a regression of trend plus season. */
function regressions(): void {
  const method = (model: Model): MethodDocument => ({
    ...FORMAT,
    decompose: AVERAGES,
    forecast: { by: 'regression', model },
  })
  const recipe =
    (months: number, more: Partial<Recipe> = {}) =>
    (seed: number): Recipe => ({
      ...{ truth: 'additive', months, seed, season: 0.3, noise: 0.05, growth: 0.6 },
      ...more,
    })
  const told = (code: string, make: ReturnType<typeof recipe>) =>
    share(make, ({ series }) => says(analyse(series, method('additive')), code))
  for (const months of [60, 120]) {
    say(
      `regression: waves told of white noise, ${months} months`,
      told('residuals-wave', recipe(months)),
      {
        most: 5,
      },
    )
    say(
      `regression: waves told of noise alike by 0.5, ${months} months`,
      told('residuals-wave', recipe(months, { likeness: 0.5 })),
      { least: months === 60 ? 40 : 85 },
    )
  }
  const turn = (t: number) => 1 + 0.006 * (t < 60 ? t : 120 - t)
  say(
    'regression: waves told of a line through a turn',
    told('residuals-wave', recipe(120, { growth: 0, level: turn })),
    { least: 90 },
  )
  const words = (pattern: RegExp, make: ReturnType<typeof recipe>) =>
    share(make, ({ series }) => {
      const report = analyse(series, method('additive')).regression!
      return residualWords(report, report.tests).some((sentence) => pattern.test(sentence))
    })
  for (const months of [60, 120]) {
    const related = /^Neighbouring residuals are alike|alternate/
    say(
      `regression: neighbours alike or alternating, of white noise, ${months} months`,
      words(related, recipe(months)),
      { most: 8 },
    )
    say(
      `regression: neighbours alike, of noise alike by 0.5, ${months} months`,
      words(/^Neighbouring residuals are alike/, recipe(months, { likeness: 0.5 })),
      { least: months === 60 ? 75 : 90 },
    )
    say(
      `regression: residuals not normal, of normal noise, ${months} months`,
      words(/are not normal/, recipe(months)),
      { most: 4 },
    )
    say(
      `regression: residuals not normal, with 3% of values doubled or halved, ${months} months`,
      words(/are not normal/, recipe(months, { outliers: 0.03 })),
      { least: months === 60 ? 60 : 80 },
    )
  }
  say('regression: one period rules, of clean series', told('one-period-rules', recipe(60)), {
    most: 1,
  })
}

function limits(): void {
  const byRegression: MethodDocument['forecast'] = { by: 'regression' }
  const recipes: readonly (readonly [
    Model,
    string,
    MethodDocument['decompose'],
    MethodDocument['forecast']?,
  ])[] = [
    ['additive', 'averages', AVERAGES],
    ['multiplicative', 'averages', AVERAGES],
    ['additive', 'robust loess', LOESS],
    ['multiplicative', 'robust loess', LOESS],
    ['additive', 'regression', AVERAGES, byRegression],
    ['multiplicative', 'regression', AVERAGES, byRegression],
  ]
  for (const [truth, name, decompose, forecasting] of recipes) {
    for (const months of [48, 120]) {
      const within = { 80: 0, 95: 0 }
      let all = 0
      for (let seed = 1; seed <= SERIES; seed++) {
        const { series } = makeSeries({
          ...{ truth, months: months + 12, seed, season: 0.3, noise: 0.05, growth: 0.5 },
        })
        const known = { ...series, values: series.values.slice(0, months) }
        const { forecast } = analyse(known, {
          ...FORMAT,
          decompose: { ...decompose, model: truth },
          ...(forecasting ? { forecast: forecasting } : {}),
        })
        series.values.slice(months).forEach((actual, i) => {
          all++
          for (const level of [80, 95] as const) {
            const { lower, upper } = forecast.limits[level]!
            if (lower[i]! <= actual! && actual! <= upper[i]!) within[level]++
          }
        })
      }
      const what = `${truth}, ${name}, ${months} months`
      say(`80% limits hold: ${what}`, (100 * within[80]) / all, { least: 76, most: 84 })
      say(`95% limits hold: ${what}`, (100 * within[95]) / all, { least: 92, most: 98 })
    }
  }
}

/** Pairs of sentences that cannot both be right. */
const CONTRADICTIONS: readonly (readonly [string, string])[] = [
  ['no-stable-season', 'stable-season'],
  ['no-stable-season', 'strength'],
  ['no-stable-season', 'season-peak'],
  ['no-stable-season', 'season-moves'],
  ['no-stable-season', 'season-drifts'],
  ['no-stable-season', 'which-model'],
  ['season-hidden', 'season-peak'],
  ['season-untested', 'season-peak'],
  ['no-trend', 'trend'],
  ['no-trend', 'trend-phases'],
  ['leftover-dull', 'leftover-waves'],
  ['leftover-dull', 'leftover-fans'],
  ['nothing-left-over', 'leftover-dull'],
  ['nothing-left-over', 'strength'],
  ['nothing-left-over', 'line-does-not-fit'],
  ['nothing-left-over', 'swings-around-line'],
  ['line-does-not-fit', 'swings-around-line'],
  ['trend-phases', 'swings-around-line'],
  ['level-wanders', 'swings-around-line'],
  ['level-wanders', 'no-trend'],
  ['level-wanders', 'trend-phases'],
  ['even-growth', 'trend-phases'],
  ['even-growth', 'no-trend'],
  ['level-step', 'leftover-dull'],
  ['season-moves', 'leftover-dull'],
  ['season-left', 'leftover-dull'],
  ['no-stable-season', 'peaks-seasonal'],
  ['forecast-below-zero', 'limit-below-zero'],
]

function contradictions(): void {
  const random = randomFrom(77)
  const total = 900
  let contrary = 0
  for (let seed = 1; seed <= total; seed++) {
    const { series } = makeSeries({
      truth: random.uniform() < 0.5 ? 'additive' : 'multiplicative',
      months: 26 + Math.floor(random.uniform() * 120),
      seed: 5000 + seed,
      season: random.uniform() < 0.3 ? 0 : 0.4 * random.uniform(),
      noise: random.uniform() < 0.05 ? 0 : 0.1 * random.uniform(),
      growth: random.uniform() < 0.3 ? 0 : 1.5 * random.uniform() - 0.5,
      outliers: random.uniform() < 0.5 ? 0 : 0.04 * random.uniform(),
      likeness: random.uniform() < 0.5 ? 0 : 0.7 * random.uniform(),
    })
    const quarterly = { ...series, calendar: calendarOf('quarterly') }
    const ways = [
      'ratio-to-moving-average',
      'stl',
      'simple-averages',
      'ratio-to-trend',
      'none',
    ] as const
    const by = ways[Math.floor(random.uniform() * ways.length)]!
    try {
      const { findings } = run(random.uniform() < 0.3 ? quarterly : series, { by })
      const codes = new Set(findings.map(({ code }) => code))
      const models = findings.filter(({ code }) => code === 'which-model')
      if (CONTRADICTIONS.some(([a, b]) => codes.has(a) && codes.has(b)) || models.length > 1)
        contrary++
    } catch (error) {
      if ((error as Error).name !== 'Refusal' && !('because' in (error as object))) throw error
    }
  }
  say(`contradictory pairs in ${total} results`, (100 * contrary) / total, { most: 0 })
}

console.log('| what | rate | limit | |\n|---|---|---|---|')
whichModel()
seasons()
leftovers()
outliersNamed()
phases()
steps()
moves()
regressions()
limits()
checks(say, SERIES)
levels(say, SERIES)
calendarEffects(say, SERIES)
datesOfDays(say, Math.ceil(SERIES / 2))
beginnings(say, Math.ceil(SERIES / 2))
offers(say, SERIES)
iterated(say, SERIES)
contradictions()
process.exitCode = rates.some(
  ({ rate, least = -Infinity, most = Infinity }) => rate < least || rate > most,
)
  ? 1
  : 0
