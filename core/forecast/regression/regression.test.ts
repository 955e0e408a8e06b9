import { describe, expect, it } from 'vitest'
import { analyse } from '../../analyse'
import { check } from '../../check/check'
import { calendarOf } from '../../calendar/calendar'
import { Refusal } from '../../refusal'
import type { MethodDocument } from '../../method'
import type { Series } from '../../series/series'
import { designOfRegression } from './design'
import { againChange, eventAt, withoutStretch } from './eventChange'
import type { RegressionOptions } from './options'
import { readRegression } from './readings'

const WAVE = [-300, -200, 0, 100, 250, 200, 150, 100, 0, -50, -100, -150]

/** Months from Jan 2016 with a straight trend, a season and noise of one standard deviation. */
function months(
  count: number,
  seed = 1,
  own: (t: number, value: number) => number = (_, y) => y,
): Series {
  let state = seed
  const uniform = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32 - 0.5
  }
  const noise = () => Array.from({ length: 12 }, uniform).reduce((sum, u) => sum + u, 0)
  return {
    name: 'Exterior paint',
    noun: 'sales',
    unit: 'litres',
    calendar: calendarOf('monthly'),
    start: { cycle: 2016, season: 1 },
    values: Array.from({ length: count }, (_, i) =>
      own(i + 1, 2000 + 11 * (i + 1) + WAVE[i % 12]! + 40 * noise()),
    ),
  }
}

function by(
  forecast: Partial<RegressionOptions>,
  trend: MethodDocument['trend'] = {},
): MethodDocument {
  return {
    format: 'elvant-method/1',
    decompose: { model: 'additive' },
    trend,
    forecast: { by: 'regression', ...forecast } as MethodDocument['forecast'],
  }
}

function readings(series: Series, document: MethodDocument) {
  const result = analyse(series, document)
  const options = result.method.forecast as RegressionOptions
  const { trend } = result.method
  const { calendar, start, unit } = series
  const told = { trend, calendar, start, unit, noun: series.noun! }
  const report = result.regression!
  const { terms, seasons } = readRegression(options, report, told)
  const design = designOfRegression(options, trend, calendar, start)
  return { result, report, reads: terms, seasons, design }
}

describe('a regression of trend plus season', () => {
  it('finds what it was made of, whatever the season is coded as', () => {
    const series = months(120)
    const forecasts = (['effects', 'dummies', 'fourier'] as const).map((season) => {
      const { report, result } = readings(
        series,
        by({ season, ...(season === 'fourier' ? { pairs: 6 } : {}) }),
      )
      expect(report.terms[1]!.estimate).toBeGreaterThan(10.5)
      expect(report.terms[1]!.estimate).toBeLessThan(11.5)
      report.seasonEffects.forEach(({ estimate }, k) =>
        expect(Math.abs(estimate - WAVE[k]!)).toBeLessThan(60),
      )
      return result.forecast.forecast
    })
    forecasts[0]!.forEach((value, i) => {
      expect(forecasts[1]![i]).toBeCloseTo(value, 6)
      expect(forecasts[2]![i]).toBeCloseTo(value, 6)
    })
  })

  it('says what every coefficient means, with its unit', () => {
    const flooded = months(120, 1, (t, y) =>
      t === 42 || t === 43 ? y - 900 : t >= 90 ? y + 300 : y,
    )
    const events = {
      indicators: [{ name: 'flood', from: '2019-06', to: '2019-07' }],
      steps: [{ name: 'new shop', from: '2023-06' }],
    }
    const { reads, seasons } = readings(flooded, by({ ...events, season: 'effects' }))
    const words = new Map(reads.map(({ term, reads: own }) => [term.label, own]))
    expect(words.get('constant')).toBe('the level in the average month at time code 0')
    expect(words.get('time code')).toMatch(
      /^each month adds 1[01]\.\d+ litres \(1\d\d\.?\d* litres a year\)$/,
    )
    expect(words.get('May')).toMatch(
      /^May sells 2\d\d\.?\d* litres more than the average month, all else equal$/,
    )
    expect(reads.map(({ term }) => term.label).slice(12, 15)).toEqual(['Nov', 'Dec', 'flood'])
    expect(words.get('flood')).toMatch(
      /^[89]\d\d\.?\d* litres less while it lasts, all else equal$/,
    )
    expect(words.get('new shop')).toMatch(
      /^(2|3)\d\d\.?\d* litres more from then on, all else equal$/,
    )
    expect(seasons[0]).toMatch(/^Jan sells 3\d\d\.?\d* litres less than the average month/)
  })

  it('an event that comes again counts alike wherever it is, and is forecast where it is to come', () => {
    const fair = [41, 42, 77]
    const series = months(120, 1, (t, y) => (fair.includes(t) ? y + 800 : y))
    const event = {
      name: 'fair',
      ...{ from: '2019-05', to: '2019-06' },
      again: [
        { from: '2022-05', to: '2022-05' },
        { from: '2026-03', to: '2026-03' },
      ],
    }
    const { result, reads, design } = readings(series, by({ indicators: [event] }))
    const column = design.events[0]!
    const at = Array.from({ length: 132 }, (_, i) => i + 1).filter((t) => column.at(t) === 1)
    expect(at).toEqual([41, 42, 77, 123])
    const effect = reads.find(({ term }) => term.label === 'fair')!.term.estimate
    expect(Math.abs(effect - 800)).toBeLessThan(80)
    const without = analyse(series, by({ indicators: [{ ...event, again: [event.again[0]!] }] }))
    result.forecast.forecast.forEach((value, i) =>
      expect(value - without.forecast.forecast[i]!).toBeCloseTo(i === 2 ? effect : 0, 6),
    )
    // Judged from earlier origins, the event is one of theirs as soon as it has happened once.
    const checked = check(series, { ...by({ indicators: [event] }), check: {} })!
    expect(checked.passedOver).toEqual([])
  })

  it('of logarithms says shares, and in days a rate a day', () => {
    const { reads, result } = readings(
      months(120),
      by({ model: 'multiplicative', season: 'dummies', base: 1 }, { time: 'days' }),
    )
    expect(reads[1]!.reads).toMatch(/^each day adds 0\.01\d% \(\d\.\d% a year\)$/)
    expect(reads.find(({ term }) => term.label === 'May')!.reads).toMatch(
      /^May sells 2\d% more than Jan/,
    )
    expect(result.forecast.limits['80']!.lower[0]).toBeGreaterThan(0)
  })

  it('a slope of its own for every season', () => {
    const { report } = readings(
      months(120, 3, (t, y) => (t % 12 === 5 ? y + 5 * t : y)),
      by({ season: 'dummies-by-trend', base: 1 }),
    )
    const slopes = new Map(report.seasonSlopes.map(({ label, estimate }) => [label, estimate]))
    expect(slopes.size).toBe(12)
    expect(slopes.get('May')! - slopes.get('Jun')!).toBeGreaterThan(4)
  })

  it('a straight piece of the trend has its own slope', () => {
    const { report } = readings(
      months(120, 2, (t, y) => y + 20 * Math.max(0, t - 61)),
      by({}, { form: 'breaks', breaks: [{ period: '2021-01' }] }),
    )
    const [before, after] = report.segmentSlopes
    expect([before!.label, after!.label]).toEqual(['from Jan 2016', 'from Jan 2021'])
    expect(before!.estimate).toBeCloseTo(11, 0)
    expect(Math.abs(after!.estimate - 31)).toBeLessThan(1.5)
  })

  it('is fitted to the last periods alone when it is asked to be', () => {
    const { result, report } = readings(months(120), by({}, { last: 48 }))
    expect([report.n, report.from]).toEqual([48, 73])
    expect(result.columns.fitted.slice(0, 72).every((value) => value === null)).toBe(true)
    expect(result.columns.fitted[72]).not.toBeNull()
  })

  it('the forecast without the season’s effect lies where the average month does', () => {
    const { result } = readings(months(120), by({ model: 'multiplicative' }))
    const { forecast, deseasonalized } = result.forecast
    const shares = forecast.map((value, i) => Math.log(value / deseasonalized[i]!))
    expect(shares.reduce((sum, own) => sum + own, 0)).toBeCloseTo(0, 10)
  })

  it('limits hold what they promise', () => {
    let held = 0
    const rounds = 150
    for (let seed = 1; seed <= rounds; seed++) {
      const all = months(60, seed * 7919)
      const ahead = all.values.slice(48) as number[]
      const { forecast } = analyse(
        { ...all, values: all.values.slice(0, 48) },
        by({ levels: [80] }),
      )
      ahead.forEach((value, i) => {
        const { lower, upper } = forecast.limits['80']!
        if (value >= lower[i]! && value <= upper[i]!) held += 1 / 12
      })
    }
    expect(held / rounds).toBeGreaterThan(0.76)
    expect(held / rounds).toBeLessThan(0.84)
  })
})

describe('what a regression refuses', () => {
  const refusal = (series: Series, document: MethodDocument): Refusal => {
    try {
      analyse(series, document)
    } catch (error) {
      if (error instanceof Refusal) return error
    }
    throw new Error('It was not refused.')
  }

  it('logarithms of what is not above 0, naming the period', () => {
    const { because, where } = refusal(
      months(60, 1, (t, y) => (t === 20 ? -5 : y)),
      by({ model: 'multiplicative' }),
    )
    expect(because).toMatch(/every value above 0; Aug 2017 is −5/)
    expect(where).toBe('forecast.model')
  })

  it('an event while no value is there, by its name', () => {
    const gap = months(60)
    const values = gap.values.map((value, i) => (i === 20 ? null : value))
    const { because, where } = refusal(
      { ...gap, values },
      by({ indicators: [{ name: 'strike', from: '2017-09', to: '2017-09' }] }),
    )
    expect(because).toMatch(/^Nothing can be learnt of "strike"/)
    expect(where).toBe('forecast.indicators.0')
  })

  it('an event that is still to come, with what would help', () => {
    const planned = { name: 'fair', from: '2021-03', to: '2021-03' }
    const { because, where } = refusal(months(60), by({ indicators: [planned] }))
    expect(because).toMatch(/^"fair" is still to come, .*Say when it happened before/)
    expect(where).toBe('forecast.indicators.0.from')
    const before = { ...planned, from: '2015-03', to: '2015-03' }
    expect(refusal(months(60), by({ indicators: [before] })).because).toMatch(
      /^Mar 2015 lies outside the series/,
    )
    const wrong = {
      ...planned,
      from: '2019-03',
      to: '2019-03',
      again: [{ from: '2021-05', to: '2021-03' }],
    }
    expect(refusal(months(60), by({ indicators: [wrong] })).where).toBe(
      'forecast.indicators.0.again.0.to',
    )
  })

  it('two events that are one, by both their names', () => {
    const { because } = refusal(
      months(60),
      by({
        indicators: [
          { name: 'strike', from: '2017-09', to: '2017-09' },
          { name: 'snow', from: '2017-09', to: '2017-09' },
        ],
      }),
    )
    expect(because).toMatch(/snow says nothing that strike does not say already/)
  })
})

describe('an event comes again', () => {
  const fair = { name: 'fair', from: '2019-05', to: '2019-06' }
  const forecast = { by: 'regression' as const, indicators: [fair] }

  it('is one event with another stretch, and goes with its last', () => {
    const twice = againChange(forecast, 'fair', { from: '2022-05', to: '2022-05' })
      .forecast as typeof forecast
    expect(twice.indicators).toEqual([{ ...fair, again: [{ from: '2022-05', to: '2022-05' }] }])
    expect(eventAt(twice, '2022-05')?.name).toBe('fair')
    expect(eventAt(twice, '2022-06')).toBeUndefined()
    const later = withoutStretch(twice, 'fair', 0).forecast as typeof forecast
    expect(later.indicators).toEqual([{ name: 'fair', from: '2022-05', to: '2022-05' }])
    expect(withoutStretch(later, 'fair', 0).forecast).toEqual({ indicators: [] })
  })
})
