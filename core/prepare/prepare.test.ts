import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import { explain } from '../ledger/explain'
import { evaluate } from '../column/kinds/kinds'
import { actualOf, ledgerOf } from '../ledger/ledger'
import type { MethodDocument } from '../method'
import { adjustedValues } from '../series/adjusted'
import type { Adjustment, Series, Value } from '../series/series'
import { fillMissing } from './fill/fillMissing'
import { suspiciousValues } from './adjust/suspicious'

const FORMAT: MethodDocument = { format: 'elvant-method/1' }
const INDEX = [0.8, 1.2, 1.3, 0.7]
/** Five years of quarters: a line of 100 + 2t times its season, exactly. */
const exact: Value[] = Array.from({ length: 20 }, (_, i) => (100 + 2 * (i + 1)) * INDEX[i % 4]!)

function quarters(values: readonly Value[], adjustments: readonly Adjustment[] = []): Series {
  const calendar = calendarOf('quarterly')
  return {
    name: 'Jobs',
    unit: 'jobs',
    calendar,
    start: { cycle: 2020, season: 1 },
    values,
    adjustments,
  }
}

describe('adjustments', () => {
  it('stand in for what came in, which stays', () => {
    const series = quarters(exact, [
      { period: '2020-Q3', value: 5, reason: 'typed' },
      { period: '2021-Q1', value: null, reason: 'strike' },
    ])
    expect(adjustedValues(series).slice(2, 5)).toEqual([5, exact[3], null])
    const { columns, findings } = analyse(series, FORMAT)
    expect(columns.original).toEqual(exact)
    expect(columns.value.slice(2, 5)).toEqual([5, exact[3], null])
    expect(findings.map(({ text }) => text)).toEqual(
      expect.arrayContaining([
        '2020 Q3 is replaced by 5 jobs: typed.',
        '2021 Q1 is left out: strike.',
      ]),
    )
  })

  it.each([
    ['2026-Q1', 'outside'],
    ['2020-03', 'not a period'],
  ])('of %s are refused with their place', (period, word) => {
    const act = () => analyse(quarters(exact, [{ period, value: 1, reason: 'x' }]), FORMAT)
    expect(act).toThrow(expect.objectContaining({ where: 'adjustments.0.period' }) as Error)
    expect(act).toThrow(word)
  })

  it('of one period twice are refused', () => {
    const twice = { period: '2020-Q3', value: 1, reason: 'x' }
    expect(() => adjustedValues(quarters(exact, [twice, twice]))).toThrow('adjusted twice')
  })

  it('give the same result as values that came in so', () => {
    const changed = exact.with(6, 150)
    const byHand = analyse(
      quarters(exact, [{ period: '2021-Q3', value: 150, reason: 'x' }]),
      FORMAT,
    )
    const cameIn = analyse(quarters(changed), FORMAT)
    expect(byHand.forecast).toEqual(cameIn.forecast)
    expect(byHand.seasons).toEqual(cameIn.seasons)
  })
})

describe('missing values', () => {
  it('are interpolated in a straight line, and stay at the ends', () => {
    const filled = fillMissing([null, 10, null, null, 16, null], 1, 'interpolate')
    expect(filled.map(({ t, value }) => [t, value])).toEqual([
      [3, 12],
      [4, 14],
    ])
  })

  it('are zero only when the analyst says so', () => {
    const gaps = quarters(exact.with(7, null))
    expect(analyse(gaps, FORMAT).columns.value[7]).toBeNull()
    const zero = analyse(gaps, { ...FORMAT, missing: 'zero' })
    expect(zero.columns.value[7]).toBe(0)
    expect(zero.method.decompose.model).toBe('additive')
    expect(zero.series.missing).toBe(1)
  })

  it('come back almost as they were when the season is put back', () => {
    const gaps = quarters(exact.with(6, null).with(7, null))
    const seasonal = analyse(gaps, { ...FORMAT, missing: 'seasonal' })
    const straight = analyse(gaps, { ...FORMAT, missing: 'interpolate' })
    const error = (values: readonly Value[]) => Math.abs(values[6]! / exact[6]! - 1)
    expect(error(seasonal.columns.value)).toBeLessThan(0.02)
    // 134.4 − (134.4 − 94.4) ÷ 3 = 121.07, where 148.2 was taken out.
    expect(error(straight.columns.value)).toBeCloseTo(1 - (134.4 - 40 / 3) / 148.2, 9)
  })

  it.each(['interpolate', 'seasonal', 'zero'] as const)(
    'filled by %s are explained to the digit',
    (missing) => {
      const result = analyse(
        quarters(
          [...exact.with(6, null).with(7, null).with(12, null), null],
          [{ period: '2022-Q1', value: 77, reason: 'recount' }],
        ),
        { ...FORMAT, missing, decompose: { model: 'additive' } },
      )
      expect(ledgerOf(result).columns[0]!.name).toBe('original')
      for (const column of ['original', 'value', 'seasonalIrregular'] as const) {
        actualOf(result, column).forEach((value, i) => {
          const told = explain(result, column, i + 1)
          expect(told.defined).toBe(value !== null)
          if (told.defined) expect(evaluate(told.expression)).toBeCloseTo(value!, 9)
          else expect(told.because.length).toBeGreaterThan(10)
        })
      }
    },
  )
})

describe('suspicious values', () => {
  const months = Array.from(
    { length: 72 },
    (_, i) =>
      (400 + i) * (1 + 0.4 * Math.sin((2 * Math.PI * i) / 12)) * (1 + ((i * 37) % 11) / 150),
  )

  it.each([
    ['times-too-large', 10, (value: number) => value * 10],
    ['times-too-large', 100, (value: number) => value * 100],
    ['times-too-small', 10, (value: number) => value / 10],
    ['sign-flipped', null, (value: number) => -value],
    ['zero-among-large', null, () => 0],
  ] as const)('%s (%s) is found, and nothing else', (suspicion, times, slip) => {
    const found = suspiciousValues(months.with(30, slip(months[30]!)), 12)
    expect(found).toMatchObject([{ at: 30, suspicion, times }])
  })

  it('are not seen in a steady season, a rare trade or a trade with returns', () => {
    expect(suspiciousValues(months, 12)).toEqual([])
    expect(
      suspiciousValues(
        months.map((value, i) => (i % 4 === 0 ? 0 : value)),
        12,
      ),
    ).toEqual([])
    expect(
      suspiciousValues(
        months.map((value, i) => (i % 2 ? value : -value)),
        12,
      ),
    ).toEqual([])
  })

  it('do not depend on the unit', () => {
    const slipped = months.with(40, months[40]! * 10)
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 1e6, noNaN: true }), (scale) => {
        const found = suspiciousValues(
          slipped.map((value) => value * scale),
          12,
        )
        expect(found.map(({ at }) => at)).toEqual([40])
      }),
      { numRuns: 50 },
    )
  })
})
