import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import { tQuantile } from '../statistics/distributions'
import { benchmarkForecast, BENCHMARKS, type Benchmark } from './benchmarks'

describe('benchmarkForecast', () => {
  const values = [10, 20, 30, 40, 14, null, 34, null]

  it.each([
    // The last value present stands at the seventh of eight quarters.
    ['lastValue', [34, 34, 34, 34, 34]],
    // Q2 and Q4 were missing last year: the year before is the latest.
    ['lastYear', [14, 20, 34, 40, 14]],
    ['mean', Array(5).fill(148 / 6)],
    // (34 − 10) ÷ 6 = 4 a quarter, from the seventh on.
    ['drift', [42, 46, 50, 54, 58]],
  ] as const)('%s', (which, want) => {
    expect(benchmarkForecast(which, values, 4, 5)).toEqual(want)
  })

  it.each(BENCHMARKS)('%s of nothing is undefined', (which) => {
    expect(benchmarkForecast(which, [null, null], 2, 2)).toEqual([null, null])
  })
})

describe('a benchmark as the method', () => {
  const values = [10, 20, 12, 24, 14, 26, 18, 30]
  const series = {
    name: 'Varnish',
    unit: 'litres',
    calendar: calendarOf('half-yearly'),
    start: { cycle: 2020, season: 1 },
    values,
  }
  const run = (which: Benchmark, horizon = 4) =>
    analyse(series, {
      format: 'elvant-method/1',
      forecast: { by: 'benchmark', which, horizon, levels: [80] },
    })

  it('last year: limits widen with every whole year, from the errors of one', () => {
    const { forecast, columns } = run('lastYear')
    expect(forecast.forecast).toEqual([18, 30, 18, 30])
    expect(columns.residual).toEqual([null, null, 2, 4, 2, 2, 4, 4])
    // s² = (4 + 16 + 4 + 4 + 16 + 16) / 6 = 10
    const reach = tQuantile(80, 6) * Math.sqrt(10)
    expect(forecast.limits[80]!.upper[0]).toBeCloseTo(18 + reach, 10)
    expect(forecast.limits[80]!.upper[3]).toBeCloseTo(30 + reach * Math.SQRT2, 10)
  })

  it('last value: the errors of single steps, their variance growing with the horizon', () => {
    const { forecast } = run('lastValue')
    // Steps 10, −8, 12, −10, 12, −8, 12: s² = 760 / 7
    const reach = tQuantile(80, 7) * Math.sqrt(760 / 7)
    expect(forecast.limits[80]!.lower[2]).toBeCloseTo(30 - reach * Math.sqrt(3), 10)
  })

  it('mean and drift cost a number each', () => {
    expect(run('mean').forecast.interval.df).toBe(7)
    const { forecast } = run('drift')
    expect(forecast.interval.df).toBe(6)
    // 20 ÷ 7 a period
    expect(forecast.forecast[1]).toBeCloseTo(30 + 40 / 7, 10)
  })

  it('has no forecast without its season', () => {
    expect(run('lastYear').forecast.deseasonalized).toEqual([null, null, null, null])
  })

  it('is refused where a season was never there', () => {
    const gaps = { ...series, values: values.map((value, i) => (i % 2 === 0 ? value : null)) }
    expect(() =>
      analyse(gaps, {
        format: 'elvant-method/1',
        decompose: { by: 'none' },
        forecast: { by: 'benchmark' },
      }),
    ).toThrow('There is no value to repeat for 2024 H2.')
  })
})
