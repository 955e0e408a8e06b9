import { analyse } from '../core/analyse'
import { check, type Checked } from '../core/check/check'
import { compare } from '../core/check/tie'
import { contest } from '../core/contest/contest'
import { changed, type MethodDocument } from '../core/method'
import type { Series, Value } from '../core/series/series'
import type { Say } from './say'
import { makeSeries, randomFrom, type Recipe } from './series'

const FORMAT = { format: 'elvant-method/1' } as const
const MONTHS = 120
const AHEAD = 12
/** A contest takes about as long as dozens of analyses. */
const CONTESTS_FOR = 8

/** What a level does while noise of 5% lies on it. */
const TRUTHS: readonly (readonly [string, Partial<Recipe>])[] = [
  ['a line, white noise', {}],
  ['a line, noise alike by 0.5', { likeness: 0.5 }],
  ['a level that wanders by half the noise', { wander: 0.5, growth: 0 }],
]
const turn = (t: number) => 1 + 0.012 * (t < 72 ? t : 144 - t)

function made(seed: number, more: Partial<Recipe>, months = MONTHS + AHEAD) {
  return makeSeries({
    ...{ truth: 'multiplicative', months, seed, season: 0.3, noise: 0.05, growth: 0.6 },
    ...more,
  }).series
}

/** The first months of a series, and what came after them. */
function parted(series: Series): { readonly known: Series; readonly came: readonly Value[] } {
  return {
    known: { ...series, values: series.values.slice(0, MONTHS) },
    came: series.values.slice(MONTHS),
  }
}

/** What is said of how forecasts would have done. */
export function checks(say: Say, count: number): void {
  pastErrorLimits(say, count)
  // A comparison of figures alone costs nothing: many of them, so that their rate is known.
  ties(say, 5 * count)
  verdicts(say, count)
  proposals(say, Math.ceil(count / CONTESTS_FOR))
  followed(say, count)
  smoothedLimits(say, count)
}

/** How often a further year comes to lie within the model's limits of a smoothed level. */
function smoothedLimits(say: Say, count: number): void {
  for (const [name, truth] of TRUTHS) {
    for (const months of [48, MONTHS]) {
      let [within, all] = [0, 0]
      for (let seed = 1; seed <= count; seed++) {
        const series = made(seed, truth, months + AHEAD)
        const known = { ...series, values: series.values.slice(0, months) }
        const { forecast } = analyse(known, {
          ...FORMAT,
          decompose: { model: 'multiplicative' },
          trend: { form: 'smoothed' },
          forecast: { levels: [80] },
        })
        const { lower, upper } = forecast.limits[80]!
        series.values.slice(months).forEach((actual, i) => {
          all++
          if (lower[i]! <= actual! && actual! <= upper[i]!) within++
        })
      }
      say(`80% limits of a smoothed level hold: ${name}, ${months} months`, (100 * within) / all, {
        least: 70,
        most: 90,
      })
    }
  }
}

/** How often a further year comes to lie within limits from past errors. */
function pastErrorLimits(say: Say, count: number): void {
  for (const [name, truth] of TRUTHS) {
    for (const last of [undefined, 36]) {
      let [within, all] = [0, 0]
      for (let seed = 1; seed <= count; seed++) {
        const { known, came } = parted(made(seed, truth))
        const { forecast } = analyse(known, {
          ...FORMAT,
          trend: { last },
          forecast: { limits: 'past-errors', levels: [80] },
        })
        const { lower, upper } = forecast.limits[80]!
        came.forEach((actual, i) => {
          all++
          if (lower[i]! <= actual! && actual! <= upper[i]!) within++
        })
      }
      const through = last === undefined ? 'all years' : 'the last three'
      say(
        `80% limits from past errors hold: ${name}, line through ${through}`,
        (100 * within) / all,
        {
          least: 70,
          most: 90,
        },
      )
    }
  }
}

/** Two forecasters whose errors have the same distribution, from 36 origins, up to a year ahead. */
function ties(say: Say, count: number): void {
  for (const likeness of [0, 0.7]) {
    let tied = 0
    for (let seed = 1; seed <= count; seed++) {
      const random = randomFrom(40_000 + seed)
      const errors = () => {
        let error = random.normal()
        return Array.from({ length: 36 + AHEAD }, () => {
          error = likeness * error + Math.sqrt(1 - likeness ** 2) * random.normal()
          return Math.abs(error)
        })
      }
      const [first, second] = [errors(), errors()]
      const figure = (own: readonly number[], origin: number) => {
        const ahead = own.slice(origin, Math.min(origin + AHEAD, 36))
        return ahead.reduce((sum, e) => sum + e, 0) / ahead.length
      }
      const differences = Array.from({ length: 35 }, (_, i) => figure(first, i) - figure(second, i))
      if (compare(differences, AHEAD, 1)!.isTie) tied++
    }
    say(`equally good methods called a tie, errors alike by ${likeness}`, (100 * tied) / count, {
      least: 70,
    })
  }
}

/** Worse than what needs no method, and limits that do not hold: told where it is so, and where it is not. */
function verdicts(say: Say, count: number): void {
  const told = (
    code: string,
    truth: Partial<Recipe>,
    is: (checked: Checked) => boolean = () => true,
  ) => {
    let found = 0
    for (let seed = 1; seed <= count; seed++) {
      const checked = check(made(seed, truth, MONTHS), FORMAT)!
      if (checked.findings.some((one) => one.code === code) && is(checked)) found++
    }
    return (100 * found) / count
  }
  const isNarrow = ({ coverage }: Checked) =>
    coverage.some(({ level, inUse }) => (inUse.pooled.share ?? 1) < level / 100)
  const steady: Partial<Recipe> = {}
  const turning: Partial<Recipe> = { growth: 0, level: turn }
  say('worse than a benchmark, told of a right line', told('worse-than-benchmark', steady), {
    most: 2,
  })
  say(
    'worse than a benchmark, told of a line through a turn',
    told('worse-than-benchmark', turning),
    {
      least: 90,
    },
  )
  say('limits too narrow, told of a right line', told('limits-do-not-hold', steady, isNarrow), {
    most: 8,
  })
  say(
    'limits too narrow, told of a line through a turn',
    told('limits-do-not-hold', turning, isNarrow),
    {
      least: 90,
    },
  )
}

/** How far off the proposed method is over a further year, beside the nearer of last year and last value. */
function proposals(say: Say, count: number): void {
  const truths: readonly (readonly [string, Partial<Recipe>])[] = [
    ...TRUTHS,
    ['a turn', { growth: 0, level: turn }],
  ]
  for (const [name, truth] of truths) {
    let [proposed, better] = [0, 0]
    const totals = { lastYear: 0, lastValue: 0 }
    for (let seed = 1; seed <= count; seed++) {
      const { known, came } = parted(made(700 + seed, truth))
      const held = contest(known, FORMAT)
      const off = (method: MethodDocument) => {
        const { forecast } = analyse(known, method).forecast
        return came.reduce<number>((sum, y, i) => sum + Math.abs(y! - forecast[i]!), 0)
      }
      proposed += off(held.rows[0]!.method)
      for (const which of ['lastYear', 'lastValue'] as const) {
        totals[which] += off({ ...FORMAT, forecast: { by: 'benchmark', which } })
      }
    }
    better = Math.min(totals.lastYear, totals.lastValue)
    say(
      `error of the proposed method, of that of the better benchmark: ${name}`,
      (100 * proposed) / better,
      {
        most: 100,
      },
    )
  }
}

/** Where a line is said not to fit a smoothed level is named first: how far off that is over a further year, beside the line. */
function followed(say: Say, count: number): void {
  const misfitOf = ({ findings }: ReturnType<typeof analyse>) =>
    findings.find(({ code }) => code === 'line-does-not-fit')
  for (const likeness of [0, 0.5]) {
    let told = 0
    for (let seed = 1; seed <= count; seed++) {
      if (misfitOf(analyse(made(1700 + seed, { likeness }, MONTHS), FORMAT))) told++
    }
    say(`a right line said not to fit, noise alike by ${likeness}`, (100 * told) / count, {
      most: 5,
    })
  }
  const truths: readonly (readonly [string, Partial<Recipe>, number])[] = [
    ['a level that wanders by half the noise', { wander: 0.5, growth: 0 }, 70],
    ['a turn', { growth: 0, level: turn }, 95],
  ]
  for (const [name, truth, least] of truths) {
    let [line, smoothed, told] = [0, 0, 0]
    for (let seed = 1; seed <= count; seed++) {
      const { known, came } = parted(made(1700 + seed, truth))
      const result = analyse(known, FORMAT)
      const [smooth] = misfitOf(result)?.actions ?? []
      if (!smooth?.change) continue
      told++
      const off = (points: readonly number[]) =>
        came.reduce<number>((sum, y, i) => sum + Math.abs(y! - points[i]!), 0)
      line += off(result.forecast.forecast)
      smoothed += off(analyse(known, changed(FORMAT, smooth.change)).forecast.forecast)
    }
    say(`a line said not to fit: ${name}`, (100 * told) / count, { least })
    say(`error of the smoothed level then, of that of the line: ${name}`, (100 * smoothed) / line, {
      most: 100,
    })
  }
}
