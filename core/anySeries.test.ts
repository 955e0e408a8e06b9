import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { analyse } from './analyse'
import type { Beside } from './beside/beside'
import { besideColumn } from './beside/besideColumn'
import { calendarOf } from './calendar/calendar'
import { explain, explainColumn } from './ledger/explain'
import { evaluate } from './column/kinds/kinds'
import { ledgerOf } from './ledger/ledger'
import { regressionReadings } from './ledger/regressionReadings'
import { MISSING_RULES } from './prepare/fill/fillMissing'
import { DECOMPOSITION_WAYS } from './decompose/ways'
import { BENCHMARKS } from './forecast/benchmarks'
import type { MethodDocument } from './method'
import { Refusal } from './refusal'
import { SEASON_FORMS } from './regression/regressors/seasonForms'
import type { Result } from './result'
import type { Series, Value } from './series/series'
import { testStationarity } from './stationarity/stationarity'
import { WHOLE } from './beside/rest'
import { TREND_FORM_NAMES } from './trend/forms'

/** What series of real life look like, and some that do not: each value from its place and a random share. */
const SHAPES: Record<string, (i: number, m: number, share: number) => number> = {
  season: (i, m, share) => 100 + i + 30 * Math.sin((2 * Math.PI * i) / m) + 5 * share,
  noise: (_, __, share) => share,
  constant: () => 5,
  'some zeros': (i, _, share) => (share < 0.3 ? 0 : 50 + i),
  'below zero': (i, m, share) => 10 * Math.sin((2 * Math.PI * i) / m) + share - 0.5,
  'a step': (i, m) => (i < 2 * m ? 10 : 1e4),
  huge: (i, _, share) => 1e90 * (1 + i + share),
  tiny: (i, _, share) => 1e-90 * (1 + i + share),
  'too tiny': (i) => 1e-200 * (1 + i),
  freaks: (i, _, share) => (100 + i) * (share < 0.1 ? 50 : 1),
}

const anySeries: fc.Arbitrary<Series> = fc
  .record({
    m: fc.constantFrom(1, 2, 3, 4, 5, 7, 12, 13),
    years: fc.double({ min: 0.2, max: 8, noNaN: true }),
    season: fc.double({ min: 0, max: 0.999, noNaN: true }),
    shape: fc.constantFrom(...Object.keys(SHAPES)),
    gaps: fc.constantFrom(0, 0, 0, 0.05, 0.3),
    shares: fc.infiniteStream(fc.integer({ min: 1, max: 1e6 }).map((share) => share / 1e6)),
  })
  .map(({ m, years, season, shape, gaps, shares }) => {
    const next = () => shares.next().value as number
    return {
      name: shape,
      unit: 'litres',
      calendar:
        m === 12
          ? calendarOf('monthly')
          : m === 1
            ? calendarOf('yearly')
            : calendarOf('seasons', { seasons: m }),
      start: { cycle: 2000, season: 1 + Math.floor(season * m) },
      values: Array.from({ length: Math.ceil(years * m) }, (_, i): Value =>
        next() < gaps ? null : SHAPES[shape]!(i, m, next()),
      ),
    }
  })

const anyMethod: fc.Arbitrary<MethodDocument> = fc
  .record({
    by: fc.constantFrom(...DECOMPOSITION_WAYS.map(({ name }) => name), 'stl' as const),
    model: fc.constantFrom(undefined, 'additive' as const, 'multiplicative' as const),
    missing: fc.constantFrom(...MISSING_RULES),
    seasonalWindow: fc.constantFrom(undefined, 7, 9, 13, 35, 8, 'periodic' as const),
    trendWindow: fc.constantFrom(undefined, undefined, 3, 5, 51),
    robust: fc.constantFrom(undefined, false),
    form: fc.constantFrom(...TREND_FORM_NAMES, 'linear' as const),
    last: fc.constantFrom(undefined, undefined, 5, 24),
    forecast: fc.constantFrom<MethodDocument['forecast'][]>(
      undefined,
      { levels: [99.9] },
      ...SEASON_FORMS.map((season) => ({ by: 'regression' as const, season })),
      { by: 'regression', model: 'multiplicative', backTransform: 'mean' },
      { limits: 'past-errors' },
      { by: 'smoothing', season: 'none', initial: 'rule' },
      { by: 'smoothing' },
      ...BENCHMARKS.map((which) => ({ by: 'benchmark' as const, which })),
      { by: 'regression', model: 'additive', steps: [{ name: 'shop', from: '2001-01' }] },
    ),
  })
  .map(({ by, model, missing, form, last, forecast, ...loess }) => {
    const given = Object.entries({ model, ...(by === 'stl' ? loess : {}) }).filter(
      ([, value]) => value !== undefined,
    )
    return {
      format: 'elvant-method/1',
      missing,
      decompose: { by, ...Object.fromEntries(given) },
      trend: {
        form,
        ...(form === 'breaks' ? { breaks: [{ period: '2001-01', level: true }] } : {}),
        ...(last === undefined ? {} : { last }),
      },
      ...(forecast ? { forecast } : {}),
    }
  })

/** The result, or null when it is refused; anything else thrown is a defect. */
function resultOf(series: Series, method: MethodDocument): Result | null {
  try {
    return analyse(series, method)
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}

/** Path of the first figure that is no number. */
function notFinite(value: unknown, path = ''): string | null {
  if (typeof value === 'number') return Number.isFinite(value) ? null : path
  if (value === null || typeof value !== 'object') return null
  for (const [key, inner] of Object.entries(value)) {
    const found = notFinite(inner, `${path}.${key}`)
    if (found) return found
  }
  return null
}

describe('any series under any method', () => {
  it('is refused, or has only numbers and words that make sense', () => {
    fc.assert(
      fc.property(anySeries, anyMethod, (series, method) => {
        const result = resultOf(series, method)
        if (!result) return
        expect(notFinite(result)).toBeNull()
        const told = regressionReadings(result)
        const words = [
          ...result.findings.map(({ text }) => text),
          ...(told ? told.terms.map(({ reads, range }) => `${reads} ${range ?? ''}`) : []),
        ]
        for (const text of words) {
          expect(text).not.toMatch(/NaN|Infinity|∞|undefined|null|object/)
        }
      }),
      { numRuns: 500 },
    )
  })

  it('explains every cell to its own value', () => {
    fc.assert(
      fc.property(anySeries, anyMethod, fc.nat(), (series, method, seed) => {
        const result = resultOf(series, method)
        if (!result) return
        const periods = [...result.columns.t, ...result.forecast.t]
        for (const [k, { name }] of ledgerOf(result).columns.entries()) {
          const t = periods[(seed + 7 * k) % periods.length]!
          const told = explain(result, name, t)
          if (!told.defined) continue
          const size = Math.max(
            Math.abs(told.value),
            ...result.columns.value.map((v) => Math.abs(v ?? 0)),
          )
          expect(Math.abs(evaluate(told.expression) - told.value)).toBeLessThanOrEqual(1e-8 * size)
        }
      }),
      { numRuns: 200 },
    )
  })

  it('can be looked at in every way, or says why not', () => {
    const ways: readonly Beside[] = [
      { kind: 'rolling-deviation', order: 3, of: WHOLE },
      {
        kind: 'rolling-mean',
        order: 3,
        of: { scale: { by: 'ln' }, takenOut: { by: 'trend', form: 'linear' } },
      },
      { kind: 'rest', of: { ...WHOLE, takenOut: { by: 'trend', form: 'cubic' } } },
      { kind: 'rest', of: { ...WHOLE, takenOut: { by: 'trend', form: 'exponential' } } },
      { kind: 'taken-out', of: { ...WHOLE, takenOut: { by: 'trend', form: 'quadratic' } } },
      {
        kind: 'rest',
        of: {
          scale: { by: 'power', power: 0.3 },
          takenOut: { by: 'difference', how: 'seasonal-first' },
        },
      },
      { kind: 'growth', rate: 'annualizedCompounded', on: 'deseasonalized' },
      { kind: 'average', by: { kind: 'henderson', length: 7 } },
    ]
    fc.assert(
      fc.property(anySeries, fc.constantFrom(...ways), fc.nat(), (series, way, seed) => {
        const { dickeyFuller, kpss } = testStationarity(series.values)
        expect(notFinite({ dickeyFuller, kpss })).toBeNull()
        const result = resultOf(series, {
          format: 'elvant-method/1',
          decompose: { model: 'additive' },
        })
        if (!result) return
        try {
          const column = besideColumn(result, way)
          const values = column.actual!
          expect(notFinite(values)).toBeNull()
          const t = 1 + (seed % values.length)
          const told = explainColumn(ledgerOf(result).run, column, t, values[t - 1]!)
          expect(told.defined).toBe(values[t - 1] !== null)
        } catch (error) {
          if (!(error instanceof Refusal)) throw error
          expect(error.because).toMatch(/\.$/)
        }
      }),
      { numRuns: 300 },
    )
  })
})
