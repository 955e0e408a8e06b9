import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import { completeCheck } from '../checkPlan'
import type { MethodDocument } from '../method'
import type { Series, Value } from '../series/series'
import { check } from './check'
import { agrees, coverageOfPastErrors } from './coverage'
import { checkTask, roll, tryFrom, type Try } from './rolling'
import { compare } from './tie'
import { accuracyWords, verdictLine } from './words'
import { errorFigures } from './errorFigures'

const FORMAT = { format: 'elvant-method/1' } as const

function monthly(values: readonly Value[], more: Partial<Series> = {}): Series {
  return {
    name: 'Varnish',
    unit: 'litres',
    calendar: calendarOf('monthly'),
    start: { cycle: 2016, season: 1 },
    values,
    ...more,
  }
}

/** A season of ±30% on a level that the caller says, with a little unevenness. */
const inSeason = (months: number, level: (t: number) => number) =>
  Array.from(
    { length: months },
    (_, t) => level(t) * (1 + 0.3 * Math.sin((2 * Math.PI * t) / 12)) * (1 + 0.01 * ((t * 7) % 5)),
  )
const steady = monthly(inSeason(120, (t) => 1000 + 5 * t))
const turning = monthly(inSeason(120, (t) => 1000 + (t < 80 ? 10 * t : 800 - 15 * (t - 80))))

describe('the rolling check', () => {
  it('goes from 36 origins of ten years, each a year ahead or to the end', () => {
    const task = checkTask(steady, FORMAT)!
    expect([task.origins[0], task.origins.at(-1)]).toEqual([84, 119])
    const { tries } = roll(task)
    expect(tries).toHaveLength(36)
    expect(tries[0]!.forecast).toHaveLength(12)
    expect(tries.at(-1)!.forecast).toHaveLength(1)
  })

  it('knows nothing of what came after an origin', () => {
    const before = tryFrom(checkTask(steady, FORMAT)!, 90) as Try
    const other = monthly(steady.values.map((value, i) => (i < 90 ? value : value! * 3)))
    const after = tryFrom(checkTask(other, FORMAT)!, 90) as Try
    expect(after.forecast).toEqual(before.forecast)
    expect(after.limits).toEqual(before.limits)
    expect(after.benchmarks).toEqual(before.benchmarks)
    expect(after.scale).toBe(before.scale)
  })

  it('is what the method itself forecasts on the shorter span', () => {
    const one = tryFrom(checkTask(steady, FORMAT)!, 100) as Try
    const direct = analyse(monthly(steady.values.slice(0, 100)), FORMAT)
    expect(one.forecast).toEqual(direct.forecast.forecast)
  })

  it('leaves behind what was not yet known: breaks, events, values left out', () => {
    const document: MethodDocument = {
      ...FORMAT,
      decompose: { exclude: [{ period: '2025-03', reason: 'strike' }] },
      trend: { form: 'breaks', breaks: [{ period: '2023-06' }, { period: '2025-06' }] },
      forecast: {
        by: 'regression',
        indicators: [{ name: 'strike', from: '2025-03' }],
        steps: [{ name: 'shop', from: '2024-01' }],
      },
    }
    const { tries, passedOver } = roll(checkTask(turning, document)!)
    expect(passedOver).toEqual([])
    expect(tries).toHaveLength(36)
  })

  it('passes over, and counts, origins at which the method is refused', () => {
    const values = steady.values.map((value, i) => (i === 100 ? -5 : value))
    const document: MethodDocument = {
      ...FORMAT,
      decompose: { by: 'none', model: 'additive' },
      forecast: { by: 'regression', model: 'multiplicative' },
      span: { to: '2025-11' },
    }
    const refused = check(monthly(values, {}), { ...document, forecast: { by: 'decomposition' } })
    expect(refused!.passedOver).toEqual([])
    const task = checkTask(monthly(values), { ...document, span: {} })!
    const { tries, passedOver } = roll(task)
    expect(tries.at(-1)!.origin).toBe(100)
    expect(passedOver).toHaveLength(19)
    expect(passedOver[0]!.because).toMatch(/above 0/)
  })

  it('counts a zero that stands for no sale as an actual value, an interpolated one as none', () => {
    const gap = monthly(steady.values.with(110, null))
    const at = (missing: 'zero' | 'interpolate') =>
      (
        tryFrom(
          checkTask(gap, { ...FORMAT, missing, decompose: { model: 'additive' } })!,
          110,
        ) as Try
      ).actual[0]
    expect(at('zero')).toBe(0)
    expect(at('interpolate')).toBeNull()
  })

  it('is not there for a series that is too short, and refused where it is asked for', () => {
    const short = monthly(steady.values.slice(0, 36))
    expect(check(short, FORMAT)).toBeNull()
    expect(() => analyse(short, { ...FORMAT, check: {} })).toThrow('too few to be checked')
    expect(() => analyse(steady, { ...FORMAT, check: { holdout: 120 } })).toThrow('held out')
  })
})

describe('a plan', () => {
  it('of more origins than can be waited for is refused', () => {
    const long = { periods: 20_000, seasons: 12 }
    expect(completeCheck(undefined, long)!.rolling).toEqual({ first: 19_964, horizon: 12, step: 1 })
    expect(() => completeCheck({ rolling: { first: 36 } }, long)).toThrow('larger step')
    expect(completeCheck({ rolling: { first: 36, step: 24 } }, long)).not.toBeNull()
  })
})

describe('the verdict', () => {
  it('says how far off such forecasts were, beside what needs no method', () => {
    const { verdict } = check(steady, FORMAT)!
    expect(verdict!.against).toBe('better')
    expect(verdictLine(verdict!, 'litres', 'year')).toMatch(
      /^Over 36 tries such forecasts were off by [\d.]+%; repeating last year would have been off by [\d.]+%\.$/,
    )
  })

  it('of a line through a turn: worse than repeating last year, with what to try', () => {
    const { verdict, findings } = check(turning, FORMAT)!
    expect(verdict!.against).toBe('worse')
    const worse = findings.find(({ code }) => code === 'worse-than-benchmark')!
    expect(worse.text).toMatch(/^Over 36 tries this method was off by .*: what needs no method/)
    expect(worse.text).toMatch(
      /\. With a smoothed level it would have been off by \d.*, with the trend/,
    )
    expect(worse.actions!.map(({ label }) => label)).toEqual([
      'Smooth the deseasonalized series',
      'Fit the trend to the last 36 months',
      'Forecast by repeating last year',
    ])
    const narrow = findings.find(({ code }) => code === 'limits-do-not-hold')!
    expect(narrow.text).toMatch(/too narrow/)
    // Those from past errors would not have held either, so they are not offered.
    expect(narrow.text).toMatch(/Limits from past errors, judged the same way, held \d+%/)
    expect(narrow.actions).toBeUndefined()
  })

  it('does not compare a benchmark with itself', () => {
    const { verdict } = check(steady, { ...FORMAT, forecast: { by: 'benchmark' } })!
    expect(verdict!.benchmarks.map(({ which }) => which)).not.toContain('lastYear')
  })

  it('is in units where the mean of the values is not above 0', () => {
    const below = monthly(steady.values.map((value) => value! - 5000))
    expect(check(below, FORMAT)!.verdict!.method.in).toBe('units')
  })
})

describe('limits from past errors', () => {
  const document = { ...FORMAT, forecast: { limits: 'past-errors' } } as const

  it('are as wide as earlier forecasts were off, and say so in the result', () => {
    const { forecast, method } = analyse(turning, document)
    expect(method.forecast.limits).toBe('past-errors')
    expect(forecast.pastErrors).toMatchObject({ scale: 'shares', origins: 36 })
    const { tries } = roll(checkTask(turning, FORMAT)!)
    const errors = tries.map(({ actual, forecast: at }) => Math.abs(Math.log(actual[0]! / at[0]!)))
    const thirtieth = errors.sort((a, b) => a - b)[29]!
    expect(forecast.pastErrors!.widths[80]![0]!.reach).toBeCloseTo(thirtieth, 12)
    const point = forecast.forecast[0]!
    expect(forecast.limits[80]!.upper[0]).toBeCloseTo(point * Math.exp(thirtieth), 8)
  })

  it('are judged by errors that were known at each origin alone', () => {
    const one = (origin: number, actual: number): Try => ({
      ...{ origin, actual: [actual], forecast: [10], limits: {}, benchmarks: {} },
      ...{ inProportion: false, scale: 1, commonScale: 1 },
    })
    // Eight errors of 1, then one of 1 that they hold, and one of 5 that they do not.
    const tries = [...Array.from({ length: 9 }, (_, i) => one(i, 11)), one(9, 15)]
    expect(coverageOfPastErrors(tries, 80, 'amounts').pooled).toEqual({ count: 2, share: 0.5 })
  })

  it('agree with their level within two standard errors, errors of one origin counting as one', () => {
    expect(agrees(80, { count: 360, share: 0.67 }, 12)).toBe(true)
    expect(agrees(80, { count: 360, share: 0.6 }, 12)).toBe(false)
  })
})

describe('compare', () => {
  it('by hand: eight differences, one period ahead', () => {
    // Mean 1, variance 2 (divisor 8): b = 1/8, c = 1.6449 + 0.27324 + 0.00491 − 0.00067
    const differences = [1, 3, -1, 1, 3, -1, 1, 1]
    const got = compare(differences, 1, 1)!
    expect(got.mean).toBe(1)
    expect(got.allowed).toBeCloseTo(1.92238 * Math.sqrt(2 / 8), 4)
    expect(got.isTie).toBe(false)
  })

  it('says nothing of fewer than eight, and calls equal methods a tie', () => {
    expect(compare([1, 1, 1], 12, 1)).toBeNull()
    expect(compare(Array<number>(36).fill(0), 12, 1)!.isTie).toBe(true)
  })
})

describe('accuracy in words', () => {
  const words = (actual: number[], forecast: number[], scale: number | null) =>
    new Map(
      accuracyWords(errorFigures(actual, forecast, scale), 'litres', true).map(({ key, says }) => [
        key,
        says,
      ]),
    )

  it.each([
    [4.3, 'errors are less than half of what changed from year to year in what was known'],
    [2.5, 'errors are 20% smaller than what changed from year to year in what was known'],
    [2, 'errors are about as large as what changed from year to year in what was known'],
    [1.25, 'errors are 60% larger than what changed from year to year in what was known'],
    [0.5, 'errors are 4 times as large as what changed from year to year in what was known'],
  ])('MASE with a scale of %s', (scale, says) => {
    expect(words([10, 20], [8, 18], scale).get('mase')).toBe(says)
  })

  it('the mean error names its side, or says that there is none', () => {
    expect(words([10, 20], [8, 18], 1).get('me')).toBe('always too low, by 2 litres')
    expect(words([10, 20], [12, 18], 1).get('me')).toBe('too high about as much as too low')
  })
})
