import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { z } from 'zod'
import { analyse } from '../analyse'
import { calculate } from '../calculate'
import { calendarOf } from '../calendar/calendar'
import { candidatesFor } from '../contest/candidates'
import { check } from '../check/check'
import { declare } from '../column/column'
import { figureOf, operation } from '../column/expression'
import { evaluate } from '../column/kinds/kinds'
import { DECOMPOSITION_WAYS } from '../decompose/ways'
import { FORECAST_WAYS } from '../forecast/ways'
import { columnValues, ledgerOf } from '../ledger/ledger'
import type { MethodDocument } from '../method'
import type { Series, Value } from '../series/series'
import type { Preparation } from './preparation'
import { PREPARATIONS } from './preparations'

const MONTHS = 72
/** Lengths of the stretches that factors were estimated on. */
let estimatedOn: number[] = []

/** A factor a month, taken from the odd years' share of it, so that it is another at every origin. */
const factors: Preparation<boolean, readonly number[]> = {
  key: 'factorAMonth',
  document: z.boolean(),
  usual: false,
  estimate({ stretch }, isAsked) {
    if (!isAsked) return null
    estimatedOn.push(stretch.values.length)
    return factorsOf(stretch.values, stretch.firstT)
  },
  leave: (values, taken, firstT) =>
    values.map((value, i) => (value === null ? null : value / factorAt(taken, firstT + i))),
  back: {
    value: (value, t, taken) => value * factorAt(taken, t),
    arithmetic: (run, value, t) => operation(value, '×', run.cell('factor', t)),
    cost: () => 0,
    columns(run, taken, of) {
      const all = Array.from({ length: run.endT - run.firstT + 1 }, (_, i) =>
        factorAt(taken, run.firstT + i),
      )
      const past = run.lastT - run.firstT + 1
      return [
        declare(run.unit, {
          ...{ name: 'factor', label: 'Factor', means: 'of its month', measure: 'factor' },
          ...{ component: 'season', mark: 'bars', stages: ['look'] },
          actual: all.slice(0, past),
          ahead: all.slice(past),
          arithmetic: (t) => figureOf('factor', factorAt(taken, t)),
        }),
        declare(run.unit, {
          ...{ name: 'withoutFactor', label: 'Without', means: `${of.column} ÷ factor` },
          ...{ measure: 'level', component: 'original', mark: 'line-thin', stages: ['look'] },
          actual: of.values.map((value, i) => (value === null ? null : value / all[i]!)),
          arithmetic: (t) => operation(run.cell(of.column, t), '÷', run.cell('factor', t)),
        }),
      ]
    },
  },
  words: () => [],
}

function factorsOf(values: readonly Value[], firstT: number): number[] {
  const all = values.flatMap((value) => value ?? [])
  const mean = all.reduce((sum, value) => sum + value, 0) / all.length
  return Array.from({ length: 12 }, (_, month) => {
    const own = values.filter((value, i) => (firstT + i - 1) % 12 === month && value !== null)
    return own.reduce<number>((sum, value) => sum + value!, 0) / own.length / mean
  })
}

function factorAt(taken: readonly number[], t: number): number {
  return taken[(t - 1) % 12]!
}

function months(values: readonly Value[]): Series {
  return {
    ...{ name: 'Litres', unit: 'litres', calendar: calendarOf('monthly') },
    ...{ start: { cycle: 2018, season: 1 }, values },
  }
}

const VALUES: readonly Value[] = Array.from({ length: MONTHS }, (_, i) =>
  i === 17 ? null : (200 + i) * (1 + 0.3 * Math.sin(i / 1.9)) * (1 + 0.05 * Math.sin(i * 2.4)),
)
const SERIES = months(VALUES)
const base: MethodDocument = { format: 'elvant-method/1' }
const prepared = (document: MethodDocument) =>
  ({ ...document, factorAMonth: true }) as MethodDocument

/** A series with the factors of so many of its periods taken out by hand. */
function byHand(periods: number) {
  const values = VALUES.map((value, i) => value ?? (VALUES[i - 1]! + VALUES[i + 1]!) / 2).slice(
    0,
    periods,
  )
  const own = factorsOf(values, 1)
  return {
    own,
    series: months(
      values.map((value, i) => (value === null ? null : value / factorAt(own, i + 1))),
    ),
  }
}

const list = PREPARATIONS as Preparation<unknown, unknown>[]
beforeAll(() => void list.push(factors as unknown as Preparation<unknown, unknown>))
afterAll(() => void list.pop())
beforeEach(() => (estimatedOn = []))

const METHODS = [
  ...DECOMPOSITION_WAYS.map(({ name }) => ({
    decompose: {
      ...{ by: name, model: 'multiplicative' },
      ...(name === 'two-seasons' ? { seasons: [12, 24] } : {}),
    },
  })),
  ...FORECAST_WAYS.map(({ name }) => ({
    decompose: { by: 'none', model: 'multiplicative' },
    // Orders that are chosen take long, and are no part of what is tried here.
    forecast: { by: name, ...(name === 'arima' ? { orders: [0, 1, 1] } : {}) },
  })),
  { decompose: { by: 'none' }, trend: { form: 'smoothed' } },
  { decompose: { by: 'none' }, forecast: { by: 'regression', model: 'multiplicative' } },
].map((method) => ({ ...base, missing: 'interpolate', ...method }) as MethodDocument)

describe('a preparation that takes something out', () => {
  it('leaves the rest to every way, and comes back into fitted values, forecast and limits', () => {
    const { own, series } = byHand(MONTHS)
    for (const method of METHODS) {
      const { ahead, columns, inside } = calculate(SERIES, prepared(method))
      const plain = calculate(series, method)
      const scaled = (values: readonly Value[], from: number) =>
        values.map((value, i) => (value === null ? null : value * factorAt(own, from + i)))
      closeTo(inside!.forecast, plain.ahead.forecast)
      closeTo(ahead.forecast, scaled(plain.ahead.forecast, MONTHS + 1))
      closeTo(columns.fitted, scaled(plain.columns.fitted, 1))
      closeTo(columns.deseasonalized, plain.columns.deseasonalized)
      for (const level of Object.keys(plain.ahead.limits)) {
        closeTo(ahead.limits[level]!.upper, scaled(plain.ahead.limits[level]!.upper, MONTHS + 1))
      }
    }
  })

  it('is worked out in every cell of the ledger', () => {
    for (const method of METHODS) {
      const ledger = ledgerOf(analyse(SERIES, prepared(method)))
      expect(ledger.find('factor')).toBeDefined()
      for (const column of ledger.columns) {
        columnValues(ledger, column).forEach((value, i) => {
          if (value === null) return
          const own = evaluate(column.arithmetic(ledger.run.firstT + i))
          expect(Math.abs(own - value), `${column.name} ${i}`).toBeLessThan(
            1e-8 * (1 + Math.abs(value)),
          )
        })
      }
    }
  })

  it('is estimated anew at every origin of a check, on what was known then', () => {
    const method = { ...base, missing: 'interpolate', decompose: { by: 'none' } } as const
    const one = check(SERIES, prepared({ ...method, check: {} }))!.tries[0]!
    expect(new Set(estimatedOn).size).toBeGreaterThan(3)
    const { own, series } = byHand(one.origin)
    const plain = calculate(series, method).ahead.forecast
    closeTo(
      one.forecast,
      one.forecast.map((_, h) => plain[h]! * factorAt(own, one.origin + 1 + h)),
    )
  })

  it('goes through a combination once, and into every method of a contest', () => {
    const of = [{ trend: { form: 'linear' } }, { forecast: { by: 'smoothing' } }]
    const method = { ...base, missing: 'interpolate', forecast: { by: 'combination', of } }
    const { ahead, inside } = calculate(SERIES, prepared(method as MethodDocument))
    const { own, series } = byHand(MONTHS)
    const plain = calculate(series, method as MethodDocument)
    closeTo(inside!.forecast, plain.ahead.forecast)
    closeTo(
      ahead.forecast,
      plain.ahead.forecast.map((value, h) => value * factorAt(own, MONTHS + 1 + h)),
    )
    const contest = candidatesFor(SERIES, prepared({ ...base, missing: 'interpolate' }))
    expect(contest.length).toBeGreaterThan(5)
    for (const { document } of contest) expect(document).toHaveProperty('factorAMonth', true)
  })

  it('does nothing where it is not asked for', () => {
    const result = analyse(SERIES, base)
    expect(result.takenOut).toBeUndefined()
    expect(ledgerOf(result).find('factor')).toBeUndefined()
    expect(estimatedOn).toEqual([])
  })
})

function closeTo(actual: readonly Value[], expected: readonly Value[]) {
  expect(actual).toHaveLength(expected.length)
  actual.forEach((value, i) => {
    const other = expected[i]!
    if (value === null) expect(other).toBeNull()
    else expect(Math.abs(value - other)).toBeLessThan(1e-9 * (1 + Math.abs(other)))
  })
}
