import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { analyse } from './analyse'
import { check } from './check/check'
import { ALL_FORMS, needsPositive, type InitialStates, type Weights } from './stateSpace/forms'
import { initialByRule } from './stateSpace/initial'
import { projected, smoothed } from './stateSpace/recursion'
import { chooseSmoothing } from './stateSpace/search'
import { calendarOf, type Frequency } from './calendar/calendar'
import { growth } from './growth/growth'
import { changed, type MethodDocument } from './method'
import { orNull, Refusal } from './refusal'
import type { Series, Value } from './series/series'

const FORMAT = { format: 'elvant-method/1' } as const

function made(values: readonly Value[], frequency: Frequency = 'monthly', year = 2015): Series {
  return {
    name: 'Varnish',
    unit: 'litres',
    calendar: calendarOf(frequency),
    start: { cycle: year, season: 1 },
    values,
  }
}
/** Why a method is refused; null where it is not. */
function refusal(series: Series, forecast: MethodDocument['forecast']): string | null {
  try {
    analyse(series, { ...FORMAT, forecast })
    return null
  } catch (error) {
    if (error instanceof Refusal) return error.because
    throw error
  }
}

/** A smoothing of the square of the values, with weights that let a slope go on. */
const square = {
  by: 'smoothing',
  trend: 'additive',
  season: 'none',
  error: 'additive',
  transform: 2,
  horizon: 18,
  weights: { alpha: 0.2, beta: 0 },
} as const

describe('a smoothing', () => {
  it('keeps the conditions of its form to the end of the horizon, or is refused by name', () => {
    const weight = fc.double({ min: 0, max: 1, noNaN: true })
    // Starts that could be meant: a season of 1e-155 is divided by until no double holds what comes of it.
    const at = fc.integer({ min: -60_000, max: 160_000 }).map((thousandths) => thousandths / 1000)
    fc.assert(
      fc.property(
        fc.constantFrom(...ALL_FORMS),
        fc.array(fc.double({ min: 5, max: 200, noNaN: true }), { minLength: 9, maxLength: 30 }),
        fc.record({ alpha: weight, beta: weight, gamma: weight }),
        fc.tuple(at, at, at, at, at),
        (form, values, { alpha, beta, gamma }, [level, slope, s1, s2, s3]) => {
          const weights: Weights = { alpha, beta, gamma, phi: 0.9 }
          const factor = form.season === 'multiplicative' ? 100 : 1
          const season = [s1 / factor, s2 / factor, s3 / factor, 1]
          const initial: InitialStates = {
            level,
            trend: form.trend === 'multiplicative' ? 1 + slope / 400 : slope / 4,
            ...(form.season === 'none' ? {} : { season }),
          }
          const rule = initialByRule(values, form, 1, 4)
          const reach = { horizon: 8, nameOf: (i: number) => `quarter ${i + 1}` }
          const chosen = orNull(() =>
            chooseSmoothing(values, form, 4, rule, { weights, initial }, reach),
          )
          if (!chosen) return
          const rows = smoothed(values, form, weights, initial)
          const sum = rows.residual.reduce<number>((total, e) => total + (e ?? 0) ** 2, 0)
          // What is reported is of this pass and of no other.
          expect(Math.abs(chosen.sse - sum)).toBeLessThanOrEqual(1e-8 * Math.max(1, sum))
          if (!needsPositive(form)) return
          for (const point of projected(form, rows.end, 0.9, 8)) expect(point).toBeGreaterThan(0)
          if (form.error === 'proportional') {
            for (const mean of rows.fitted) expect(mean).toBeGreaterThan(0)
          }
          if (form.season === 'multiplicative') {
            for (const one of [...rows.level, ...rows.season!]) expect(one).toBeGreaterThan(0)
          }
        },
      ),
      { numRuns: 500 },
    )
  })

  it('that falls through 0 on its given weights and start is refused with the period', () => {
    const values = Array.from({ length: 24 }, (_, t) => 150 + 50 * Math.sin(t * 1.9))
    const because = refusal(made(values), {
      by: 'smoothing',
      trend: 'additive',
      season: 'none',
      error: 'proportional',
      weights: { alpha: 0, beta: 0 },
      initial: { level: 100, trend: -50 },
    })
    expect(because).toMatch(/the forecast of one step falls to 0 in Feb 2015.*Take a damped slope/)
  })

  it('whose search finds no admissible pass shows no forecast below 0', () => {
    const values = [
      100.676479, 88.190454, 79.456694, 69.617114, 3.120494, 2.765445, 2.455801, 2.152562,
    ]
    const forecast = {
      by: 'smoothing',
      trend: 'additive',
      season: 'none',
      error: 'proportional',
    } as const
    const result = orNull(() => analyse(made(values, 'yearly', 2005), { ...FORMAT, forecast }))
    for (const point of result?.forecast.forecast ?? []) expect(point).toBeGreaterThan(0)
  })

  it('simulates paths in a moment where most of them leave the form, and has no point outside', () => {
    const values = [117.24, 9781.08, 93.29, 88.27, 57.49, 63.37, 69.05]
    const result = orNull(() =>
      analyse(made(values, 'half-yearly'), {
        ...FORMAT,
        forecast: {
          by: 'smoothing',
          trend: 'multiplicative',
          season: 'additive',
          error: 'additive',
        },
      }),
    )
    result?.forecast.forecast.forEach((point) => expect(point).toBeGreaterThan(0))
  })

  it('of a square is refused where its mean, or its point, would be below 0', () => {
    const values = (level: number, slope: number, noise: number) =>
      Array.from({ length: 36 }, (_, t) => level - slope * t + noise * Math.sin(t * t * 1.3))
    const wide = made(values(60, 1.2, 14))
    expect(refusal(wide, { ...square, backTransform: 'mean' })).toMatch(
      /the mean cannot be told from the median.*−0\.0\d+, and must be above 0\. Take the median/,
    )
    expect(refusal(made(values(100, 2.4, 10)), square)).toMatch(
      /^The forecast of Jan 2018 cannot come back\. .* it would be under 0\. Take the logarithm/,
    )
  })

  it('of a square says how many limits cannot come back, and on which side', () => {
    const values = Array.from({ length: 36 }, (_, t) =>
      Math.max(1, 40 - 0.6 * t + 18 * Math.sin(t * t * 1.3)),
    )
    const { findings } = analyse(made(values), {
      ...FORMAT,
      forecast: square,
    })
    const told = findings.find(({ code }) => code === 'no-way-back')!
    expect(told.text).toMatch(/lie below every value and cannot come back: \d+ limits\./)
  })
})

describe('a line', () => {
  it('that falls below 0 on a series that never does is told with the first such period, and what cannot', () => {
    const falls = made(
      Array.from(
        { length: 60 },
        (_, t) =>
          (1000 - 15 * t) * (1 + 0.2 * Math.cos((t * Math.PI) / 6)) * (1 + 0.01 * Math.sin(t * t)),
      ),
    )
    const { findings, forecast } = analyse(falls, FORMAT)
    const told = findings.find(({ code }) => code === 'forecast-below-zero')!
    const first = forecast.forecast.findIndex((point) => point < 0)
    expect(told).toMatchObject({ period: forecast.period[first], figure: forecast.forecast[first] })
    expect(findings.some(({ code }) => code === 'limit-below-zero')).toBe(false)
    for (const { change } of told.actions!) {
      const mended = analyse(falls, changed(FORMAT, change!))
      expect(mended.findings.some(({ code }) => code === 'forecast-below-zero')).toBe(false)
    }
  })
})

describe('limits, totals and rates', () => {
  it('from past errors are never nearer at a higher level', () => {
    const values = Array.from({ length: 56 }, (_, t) => 500 + 3 * t + 40 * Math.sin(t * t * 1.7))
    const { forecast } = analyse(made(values), {
      ...FORMAT,
      forecast: { limits: 'past-errors', levels: [80, 95] },
    })
    forecast.forecast.forEach((_, i) => {
      expect(forecast.limits['95']!.upper[i]!).toBeGreaterThanOrEqual(
        forecast.limits['80']!.upper[i]!,
      )
    })
  })

  it('that months which have not come are no zeros in the check', () => {
    const season = (t: number) => 1000 + 5 * t + 200 * Math.cos((2 * Math.PI * t) / 12)
    const came = Array.from({ length: 60 }, (_, t) => season(t) + 8 * Math.sin(t * t * 1.7))
    const off = (values: readonly Value[], missing: MethodDocument['missing']) =>
      check(made(values), { ...FORMAT, decompose: { model: 'additive' }, missing })!.verdict!.method
        .by
    const waiting = off([...came, null, null, null, null, null, null], 'zero')
    expect(waiting).toBeLessThan(2 * off(came, 'leave'))
  })

  it('a compounded rate of what fell below 0 is none', () => {
    expect(growth([10, -20], 12).annualizedCompounded[1]).toBeNull()
    expect(growth([10, 0], 12).annualizedCompounded[1]).toBe(-100)
  })

  it('strengths of an exact series are undefined, not 1', () => {
    const exact = Array.from(
      { length: 60 },
      (_, t) => 1000 + 5 * t + 100 * Math.cos((2 * Math.PI * t) / 12),
    )
    const { strength } = analyse(made(exact), { ...FORMAT, decompose: { model: 'additive' } })
    expect(strength).toEqual({ trend: null, season: null, withoutDistrusted: null })
  })

  it('a season without a value is refused at the values where nothing was left out', () => {
    const holes = Array.from({ length: 60 }, (_, t) => (t % 12 === 3 ? null : 1000 + t))
    for (const by of ['ratio-to-moving-average', 'stl'] as const) {
      try {
        analyse(made(holes), { ...FORMAT, decompose: { by } })
        expect.unreachable()
      } catch (error) {
        expect((error as Refusal).where).toBe('series.values')
      }
    }
  })
})
