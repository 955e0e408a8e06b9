import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { analyse, notYetJudged, takeJudgements, type Numbers } from './analyse'
import { calendarOf } from './calendar/calendar'
import { forecastTable, ledgerTable } from './ledger/table'
import type { MethodDocument } from './method'
import { Refusal } from './refusal'
import { actualOf, ledgerOf } from './ledger/ledger'
import type { Series, Value } from './series/series'

const FORMAT = { format: 'elvant-method/1' } as const
const quarters = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]

function series(values: readonly Value[], more: Partial<Series> = {}): Series {
  return {
    name: 'Contract work',
    unit: 'jobs',
    calendar: calendarOf('quarterly'),
    start: { cycle: 2020, season: 1 },
    values,
    ...more,
  }
}

describe('defaults', () => {
  it('are all filled into the method that is reported', () => {
    expect(analyse(series(quarters), FORMAT).method).toEqual({
      format: 'elvant-method/1',
      span: { from: '2020-Q1', to: '2023-Q4' },
      missing: 'leave',
      decompose: {
        by: 'ratio-to-moving-average',
        model: 'multiplicative',
        average: 'mean',
        adjust: true,
        exclude: [],
      },
      trend: { form: 'linear', time: 'code' },
      forecast: { by: 'decomposition', horizon: 4, levels: [80, 95], limits: 'model' },
    })
  })

  it('are additive for a series that reaches 0', () => {
    const { method } = analyse(series(quarters.with(3, 0)), FORMAT)
    expect(method.decompose.model).toBe('additive')
  })

  it('running the reported method again gives the same result', () => {
    const once = analyse(series(quarters), FORMAT)
    expect(analyse(series(quarters), once.method)).toEqual(once)
  })
})

describe('the result document', () => {
  const result = analyse(series(quarters), FORMAT)

  it('has one entry a period in every column', () => {
    for (const column of Object.values(result.columns)) expect(column).toHaveLength(16)
    for (const { actual } of ledgerOf(result).columns) if (actual) expect(actual).toHaveLength(16)
    expect(result.columns.period.at(-1)).toBe('2023-Q4')
    expect(result.forecast.period).toEqual(['2024-Q1', '2024-Q2', '2024-Q3', '2024-Q4'])
  })

  it('forecasts by hand: the trend, the index, both together', () => {
    expect(result.forecast.deseasonalized[0]!.toFixed(4)).toBe('73.8808')
    expect(result.forecast.forecast.map((value) => value.toFixed(3))).toEqual([
      '57.826',
      '91.395',
      '101.969',
      '51.589',
    ])
  })

  it('passes through JSON unchanged: nothing in it is NaN, infinite or undefined', () => {
    expect(JSON.parse(JSON.stringify(result))).toEqual(result)
  })

  it('reads indices in words with their unit', () => {
    expect(result.seasons[2]!.reading).toBe('34% above the baseline')
    const additive = analyse(series(quarters), { ...FORMAT, decompose: { model: 'additive' } })
    expect(additive.seasons[3]!.reading).toMatch(/^\d+(\.\d+)? jobs below the baseline$/)
  })
})

describe('a span', () => {
  const span = { from: '2020-Q3', to: '2023-Q2' }

  it('keeps the time code and sees nothing outside', () => {
    const outside = series([1e6, 1e6, ...quarters.slice(2, 14), -5, null])
    const got = analyse(outside, { ...FORMAT, span })
    const inside = analyse(series(quarters), { ...FORMAT, span })
    expect(got.columns).toEqual(inside.columns)
    expect(got.columns.t[0]).toBe(3)
    expect(got.forecast.t[0]).toBe(15)
    expect(got.forecast.period[0]).toBe('2023-Q3')
  })
})

describe('refusals name their place', () => {
  const refusal = (input: Series, method: MethodDocument): Refusal => {
    try {
      analyse(input, method)
    } catch (error) {
      if (error instanceof Refusal) return error
    }
    throw new Error('It was not refused.')
  }

  it.each<[string, MethodDocument]>([
    ['decompose.seasonalWindow', { ...FORMAT, decompose: { by: 'stl', seasonalWindow: 8 } }],
    ['decompose.seasonalWindow', { ...FORMAT, decompose: { by: 'stl', seasonalWindow: 401 } }],
    ['decompose.trendWindow', { ...FORMAT, decompose: { by: 'stl', trendWindow: 333 } }],
    ['decompose.lowPassWindow', { ...FORMAT, decompose: { by: 'stl', lowPassWindow: 2 } }],
    ['trend.breaks', { ...FORMAT, trend: { breaks: [{ period: '2021-Q1' }] } }],
    ['trend.breaks', { ...FORMAT, trend: { form: 'breaks' } }],
    [
      'trend.breaks.0.period',
      { ...FORMAT, trend: { form: 'breaks', breaks: [{ period: '2020-Q1' }] } },
    ],
    [
      'trend.breaks.1.period',
      {
        ...FORMAT,
        trend: { form: 'breaks', breaks: [{ period: '2021-Q1' }, { period: '2021-Q1' }] },
      },
    ],
    ['forecast.backTransform', { ...FORMAT, forecast: { backTransform: 'mean' } }],
    ['forecast.season', { ...FORMAT, forecast: { season: 'effects' } as never }],
    ['forecast.steps', { ...FORMAT, forecast: { steps: [] } as never }],
    ['forecast.base', { ...FORMAT, forecast: { by: 'regression', base: 2 } }],
    ['forecast.base', { ...FORMAT, forecast: { by: 'regression', season: 'dummies', base: 5 } }],
    ['forecast.pairs', { ...FORMAT, forecast: { by: 'regression', season: 'fourier', pairs: 3 } }],
    [
      'forecast.season',
      {
        ...FORMAT,
        trend: { form: 'quadratic' },
        forecast: { by: 'regression', season: 'dummies-by-trend' },
      },
    ],
    [
      'forecast.model',
      {
        ...FORMAT,
        trend: { form: 'exponential' },
        forecast: { by: 'regression', model: 'additive' },
      },
    ],
    [
      'forecast.indicators.1.name',
      {
        ...FORMAT,
        forecast: {
          by: 'regression',
          indicators: [
            { name: 'flood', from: '2021-Q1' },
            { name: 'flood', from: '2022-Q1' },
          ],
        },
      },
    ],
    [
      'forecast.steps.0.from',
      { ...FORMAT, forecast: { by: 'regression', steps: [{ name: 'shop', from: '2020-Q1' }] } },
    ],
    ['check.holdout', { ...FORMAT, check: { holdout: 16 } }],
    ['check.rolling.first', { ...FORMAT, check: { rolling: { first: 16 } } }],
    ['forecast.which', { ...FORMAT, trend: { last: 8 }, forecast: { which: 'mean' } as never }],
    ['span.from', { ...FORMAT, span: { from: '2019-Q4', to: '2023-Q4' } }],
    ['span.to', { ...FORMAT, span: { from: '2020-Q1', to: '2023-12' } }],
    ['span', { ...FORMAT, span: { from: '2021-Q1', to: '2020-Q1' } }],
    [
      'decompose.exclude.0.period',
      { ...FORMAT, decompose: { exclude: [{ period: '2030-Q1', reason: 'x' }] } },
    ],
    ['forecast.horizon', { ...FORMAT, forecast: { horizon: 0 } }],
    ['forecast.horizon', { ...FORMAT, forecast: { horizon: 5000 } }],
    ['forecast.levels', { ...FORMAT, forecast: { levels: [100] } }],
    ['trend.last', { ...FORMAT, trend: { last: 0.5 } }],
  ])('%s', (where, method) => {
    const { where: got, because } = refusal(series(quarters), method)
    expect(got).toBe(where)
    expect(because).toMatch(/^["\w].*\.$/)
  })

  it('a value that cannot be squared', () => {
    expect(refusal(series(quarters.with(4, 1e200)), FORMAT).where).toBe('2021-Q1')
    expect(refusal(series(quarters.with(4, NaN)), FORMAT).where).toBe('2021-Q1')
  })

  it('a series too short says what is needed and what there is', () => {
    expect(refusal(series(quarters.slice(0, 7)), FORMAT).because).toContain(
      '8 quarters); there are 7',
    )
  })

  it('a trend through too few values', () => {
    expect(refusal(series(quarters), { ...FORMAT, trend: { last: 2 } }).because).toContain(
      'at least 3 values; there are 2',
    )
  })
})

describe('findings', () => {
  const codes = (input: Series, method: MethodDocument = FORMAT) =>
    analyse(input, method).findings.map(({ code }) => code)

  it('tell peak and trough, where the average ends and what is forecast', () => {
    const { findings } = analyse(series(quarters), FORMAT)
    const text = (code: string) => findings.find((finding) => finding.code === code)?.text
    expect(text('season-peak')).toBe('Highest season: Q3, 34% above the baseline.')
    expect(text('season-trough')).toBe('Lowest season: Q4, 34% below the baseline.')
    expect(text('last-actual')).toBe(
      'The last actual period is 2023 Q4; 2024 Q1 to 2024 Q4 are forecast from it.',
    )
    expect(text('trend-cycle-ends')).toBe(
      'The moving average ends in 2023 Q2: the last 2 quarters have none.',
    )
  })

  it('call no period the last actual one after which others came', () => {
    const span = { from: '2020-Q1', to: '2022-Q4' }
    const { findings } = analyse(series(quarters), { ...FORMAT, span })
    expect(findings.find(({ code }) => code === 'last-actual')?.text).toBe(
      'The span ends in 2022 Q4, before the last actual period, 2023 Q4; 2023 Q1 to 2023 Q4 are forecast from it.',
    )
  })

  it('warn of indices on fewer than three values', () => {
    expect(codes(series(quarters.slice(0, 11)))).toContain('index-unreliable')
    expect(codes(series(quarters))).not.toContain('index-unreliable')
  })

  it('call a season of under two per cent negligible, whatever its shape', () => {
    const faint = Array.from({ length: 24 }, (_, i) => 1000 + [4, -4, 6, -6][i % 4]!)
    for (const model of ['multiplicative', 'additive'] as const) {
      expect(codes(series(faint), { ...FORMAT, decompose: { model } })).toContain(
        'season-negligible',
      )
      expect(codes(series(quarters), { ...FORMAT, decompose: { model } })).not.toContain(
        'season-negligible',
      )
    }
  })

  it('tell missing values, values left out, and why there are no limits', () => {
    expect(codes(series((quarters as Value[]).with(5, null)))).toContain('missing-values')
    const method: MethodDocument = {
      ...FORMAT,
      decompose: { exclude: [{ period: '2021-Q3', reason: 'strike at the mill' }] },
      trend: { last: 5 },
    }
    const { findings, forecast } = analyse(series(quarters), method)
    expect(findings.find(({ code }) => code === 'left-out')?.text).toBe(
      '2021 Q3 is left out of its season: strike at the mill.',
    )
    expect(findings.find(({ code }) => code === 'no-limits')?.severity).toBe('caution')
    expect(forecast.limits['95']!.upper).toEqual([null, null, null, null])
    expect(forecast.forecast.every(Number.isFinite)).toBe(true)
  })

  it('end where the last value is, not where the series is', () => {
    const { findings } = analyse(series([...quarters, null]), FORMAT)
    expect(findings.find(({ code }) => code === 'last-actual')?.period).toBe('2023-Q4')
  })
})

describe('limits', () => {
  it('hold the forecast, and a wider level holds a narrower', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 50, max: 500 }), { minLength: 12, maxLength: 40 }),
        (values) => {
          const { forecast } = analyse(series(values), {
            ...FORMAT,
            forecast: { levels: [50, 99] },
          })
          forecast.forecast.forEach((value, i) => {
            const [inner, outer] = [forecast.limits['50']!, forecast.limits['99']!]
            expect(inner.lower[i]!).toBeLessThanOrEqual(value)
            expect(inner.upper[i]!).toBeGreaterThanOrEqual(value)
            expect(outer.lower[i]!).toBeLessThanOrEqual(inner.lower[i]!)
            expect(outer.upper[i]!).toBeGreaterThanOrEqual(inner.upper[i]!)
          })
        },
      ),
    )
  })
})

describe('tables', () => {
  const result = analyse(series(quarters), FORMAT)

  it('stand the ledger on end, forecast periods last', () => {
    const { header, rows } = ledgerTable(result)
    expect(rows).toHaveLength(20)
    expect(new Set(rows.map((row) => row.length))).toEqual(new Set([header.length]))
    expect(header).toContain('4-term average (jobs; stands at t + 1.5)')
    expect(rows[16]!.slice(0, 4)).toEqual(['2024-Q1', 17, 1, 'forecast'])
    expect(rows[16]![header.indexOf('Values (jobs)')]).toBeNull()
  })

  it('name both forecasts, so that neither is taken for the other', () => {
    const { header, rows } = forecastTable(result)
    expect(header.slice(2, 5)).toEqual([
      'deseasonalized forecast (jobs)',
      'seasonal index',
      'forecast (jobs)',
    ])
    const [, , deseasonalized, index, forecast] = rows[0] as [string, ...number[]]
    expect(forecast).toBeCloseTo(deseasonalized! * index!, 10)
  })
})

describe('robust loess', () => {
  const loess = (more: object = {}): MethodDocument => ({
    ...FORMAT,
    decompose: { by: 'stl', ...more },
  })
  const monthly: Series = {
    name: 'Varnish',
    unit: 'litres',
    calendar: calendarOf('monthly'),
    start: { cycle: 2016, season: 1 },
    values: Array.from({ length: 96 }, (_, i) => {
      const season = 1 + 0.3 * Math.cos((2 * Math.PI * (i - (i % 12) * 0.01 - i / 48)) / 12)
      return (5000 + 20 * i) * season * (i === 40 ? 0.4 : 1 + 0.01 * Math.sin(i * 7))
    }),
  }

  it('states every default in the method that was run', () => {
    expect(analyse(monthly, loess()).method.decompose).toEqual({
      by: 'stl',
      model: 'multiplicative',
      exclude: [],
      seasonalWindow: 13,
      trendWindow: 21,
      lowPassWindow: 13,
      seasonalDegree: 1,
      trendDegree: 1,
      lowPassDegree: 1,
      robust: true,
      inner: 1,
      outer: 15,
    })
  })

  it('distrusts the one freak month and says so, with both strengths', () => {
    const result = analyse(monthly, loess())
    const { findings, strength } = result
    expect(actualOf(result, 'weight')[40]).toBe(0)
    const told = findings.find(({ code }) => code === 'distrusted')
    expect(told?.text).toContain('May 2019')
    expect(told?.period).toBe('2019-05')
    expect(strength.withoutDistrusted!.season!).toBeGreaterThan(strength.season! + 0.02)
  })

  it('recomposes, and repeats the season of the last year in the forecast', () => {
    const { columns, forecast } = analyse(monthly, loess())
    columns.value.forEach((value, i) => {
      const whole = columns.trendCycle[i]! * columns.index[i]! * columns.irregular[i]!
      expect(whole).toBeCloseTo(value!, 6)
    })
    expect('index' in forecast && forecast.index).toEqual(columns.index.slice(-12))
  })

  it('tells how an index moves when the first or last year is left out', () => {
    const { seasons } = analyse(monthly, loess())
    const shorter = analyse(monthly, { ...loess(), span: { from: '2016-01', to: '2022-12' } })
    expect(seasons[3]!.withoutLast).toBeCloseTo(shorter.seasons[3]!.index, 9)
    expect(seasons[3]!.withoutFirst).not.toBeNull()
  })

  it('fills a gap with the season of loess', () => {
    const gap = { ...monthly, values: monthly.values.with(60, null) }
    const { columns } = analyse(gap, { ...loess(), missing: 'seasonal' })
    expect(columns.value[60]! / monthly.values[60]!).toBeCloseTo(1, 1)
  })
})

describe('how steady the indices are', () => {
  it('is what they come to without each season’s first or last ratio', () => {
    const result = analyse(series(quarters), FORMAT)
    const { seasons, columns } = result
    const own = (season: number) =>
      actualOf(result, 'seasonalIrregular').filter(
        (value, i): value is number => value !== null && columns.season[i] === season,
      )
    const raw = [1, 2, 3, 4].map((season) => {
      const kept = own(season).slice(1)
      return kept.reduce((sum, value) => sum + value, 0) / kept.length
    })
    const mean = raw.reduce((sum, value) => sum + value, 0) / 4
    seasons.forEach((row, k) => expect(row.withoutFirst).toBeCloseTo(raw[k]! / mean, 12))
  })

  it('is not told where one year is all there is', () => {
    const { seasons } = analyse(series(quarters.slice(0, 9)), FORMAT)
    expect(seasons.map(({ withoutLast }) => withoutLast)).toEqual([null, null, null, null])
  })
})

describe('judgements', () => {
  const early: Numbers[] = []
  const result = analyse(series(quarters), FORMAT, { early: (numbers) => early.push(numbers) })

  it('follow the numbers, which lack nothing else of the result', () => {
    expect(early).toHaveLength(1)
    expect(early[0]).not.toHaveProperty('findings')
    expect({ ...early[0], ...result }).toEqual({ ...result })
    expect(JSON.parse(JSON.stringify(result))).toHaveProperty('findings')
  })

  it('come into numbers that are shown with those of the result before', () => {
    const before = analyse(series(quarters.toReversed()), FORMAT)
    const shown = notYetJudged(early[0]!, before)
    expect(shown.phases).toEqual(before.phases)
    takeJudgements(shown, result)
    expect(shown).toEqual({ ...result })
  })

  it('that cannot be made refuse the method at once, not when they are first looked at', () => {
    const two = series([null, 5, 8])
    const document = {
      ...FORMAT,
      ...{ decompose: { by: 'none' }, trend: { form: 'none', last: 5 } },
      forecast: { by: 'regression', season: 'none' },
    } as MethodDocument
    expect(() => analyse(two, document)).toThrow(/needs at least 3 values/)
  })
})
