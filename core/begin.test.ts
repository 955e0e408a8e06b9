import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { analyse } from './analyse'
import { begin } from './begin'
import { calendarOf, type Frequency } from './calendar/calendar'
import type { Series, Value } from './series/series'

const noise = (t: number) => Math.sin(t * t * 1.7)
const wave = (t: number, at = 0) => Math.cos((2 * Math.PI * (t - at)) / 12)

function made(value: (t: number) => Value, length = 84, frequency: Frequency = 'monthly'): Series {
  return {
    name: 'Varnish',
    unit: 'litres',
    calendar: calendarOf(frequency),
    start: { cycle: 2016, season: 1 },
    values: Array.from({ length }, (_, t) => value(t)),
  }
}
/** Decomposition and trend, the parts that are chosen. */
function chosen(series: Series) {
  const { method, because } = begin(series)
  return { decompose: method.decompose, trend: method.trend, because: because.join('; ') }
}

describe('the method that a series begins with', () => {
  it('of a right line under a season of one size: the additive model and a straight line', () => {
    expect(chosen(made((t) => 1000 + 20 * t + 300 * wave(t) + 8 * noise(t)))).toEqual({
      decompose: { by: 'ratio-to-moving-average', model: 'additive' },
      trend: { form: 'linear' },
      because: 'the swing does not grow with the level; a straight line fits',
    })
  })

  it('of a series that turns: a smoothed level with a damped slope', () => {
    const turns = (t: number) => (1000 + 12 * (t < 50 ? t : 100 - t)) * (1 + 0.3 * wave(t))
    expect(chosen(made((t) => turns(t) + 8 * noise(t)))).toMatchObject({
      decompose: { model: 'multiplicative' },
      trend: { form: 'smoothed', smoothing: 'damped' },
      because: expect.stringMatching(/; the trend turns, so a smoothed level/) as string,
    })
  })

  it('with values that stand far off: medians, so that they do not make the index', () => {
    const flooded = made((t) => (1000 + 100 * wave(t) + 5 * noise(t)) * (t === 40 ? 0.3 : 1))
    expect(chosen(flooded)).toMatchObject({
      decompose: { average: 'median' },
      because: expect.stringMatching(
        /one value stands far off, so the indices are medians/,
      ) as string,
    })
  })

  it('of a season that moves: robust loess', () => {
    const moving = made((t) => 1000 + 300 * wave(t, t / 30) + 4 * noise(t), 120)
    expect(chosen(moving)).toMatchObject({
      decompose: { by: 'stl' },
      because: expect.stringMatching(/the season moves over the years/) as string,
    })
  })

  it('of less than two years, and of yearly values: no season', () => {
    const short = chosen(made((t) => 1000 + 100 * wave(t) + noise(t), 20))
    expect(short).toMatchObject({ decompose: { by: 'none' }, trend: { form: 'smoothed' } })
    expect(short.because).toMatch(/^20 months are too few for a season; there are too few years/)
    const yearly = chosen(made((t) => 1000 + 50 * t + 9 * noise(t), 22, 'yearly'))
    expect(yearly).toMatchObject({ decompose: { by: 'none' }, trend: { form: 'linear' } })
  })

  it('keeps what is no choice between methods, and of nothing makes nothing', () => {
    const given = {
      format: 'elvant-method/1',
      span: { from: '2017-01' },
      forecast: { horizon: 6, limits: 'past-errors' },
    } as const
    expect(
      begin(
        made((t) => 1000 + 100 * wave(t) + noise(t)),
        given,
      ).method,
    ).toMatchObject(given)
    const nothing = begin(made(() => null))
    expect(nothing).toMatchObject({ method: { format: 'elvant-method/1' }, because: [] })
  })

  it('can be carried out on any series that any method can', () => {
    const value = fc.option(fc.double({ min: -50, max: 1000, noNaN: true }), { freq: 9, nil: null })
    const frequency = fc.constantFrom<Frequency>('monthly', 'quarterly', 'half-yearly', 'yearly')
    fc.assert(
      fc.property(fc.array(value, { minLength: 4, maxLength: 60 }), frequency, (values, often) => {
        const series = made((t) => values[t]!, values.length, often)
        const { method, because } = begin(series)
        if (because.length === 0) return
        expect(() => analyse(series, method)).not.toThrow()
      }),
      { numRuns: 60 },
    )
  })
})
