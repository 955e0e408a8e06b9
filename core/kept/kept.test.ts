import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { begin } from '../begin'
import { calendarOf } from '../calendar/calendar'
import type { MethodDocument } from '../method'
import type { Series, Value } from '../series/series'
import { apart } from './apart'
import { handRecord, handWords } from './handRecord'
import { judge, type Judged } from './judge'
import { frozen, type KeptForecast } from './kept'
import { leaningWords, needWords, recordLine } from './words'

const TOLD = { calendar: calendarOf('monthly'), unit: 'litres' }
const series = (values: readonly Value[], adjustments: Series['adjustments'] = []): Series => ({
  ...{ name: 'Glaze', unit: 'litres', calendar: TOLD.calendar, start: { cycle: 2024, season: 1 } },
  ...{ values, adjustments },
})

const KNOWN = Array.from({ length: 24 }, (_, i) => 100 + (i % 12))
/** Six months of 2026, with limits of 10 and 20 to either side. */
const KEPT: KeptForecast = {
  series: series(KNOWN),
  method: { format: 'elvant-method/1' },
  forecast: {
    period: [1, 2, 3, 4, 5, 6].map((month) => `2026-0${month}`),
    forecast: Array(6).fill(100),
    limits: { 80: around(10), 95: around(20) },
    statistical: { forecast: Array(6).fill(104), limits: {} },
  },
}

function around(reach: number) {
  return { lower: Array(6).fill(100 - reach), upper: Array(6).fill(100 + reach) }
}

describe('the record of a kept forecast', () => {
  it('by hand: errors, limits, last year, the hand', () => {
    const judged = judge(KEPT, series([...KNOWN, 106, 88, null, 100]))
    expect(judged.periods.map(({ error }) => error)).toEqual([6, -12, null, 0, null, null])
    expect(judged.came).toBe(3)
    // 18 over three months of 294 in all.
    expect(judged.off).toEqual({ by: expect.closeTo((100 * 18) / 294, 9), in: 'percent' })
    expect(judged.cumulative).toBe(-6)
    expect(judged.tracking).toBeNull()
    expect(judged.within).toEqual({ 80: { inside: 2, of: 3 }, 95: { inside: 3, of: 3 } })
    // Last year's 100, 101 and 103: 6 + 13 + 3.
    expect(judged.benchmark).toEqual({
      which: 'lastYear',
      off: { by: expect.closeTo((100 * 22) / 294, 9), in: 'percent' },
    })
    expect(judged.statistical).toEqual({ by: expect.closeTo((100 * 22) / 294, 9), in: 'percent' })
    expect(recordLine(judged, TOLD)).toBe(
      'Jan 2026 to Apr 2026: off by 6.1%, 2 of 3 within the 80% limits; repeating last year 7.5%; without the hand 7.5%',
    )
  })

  it('judges what came in, and shows what is used instead', () => {
    const replaced = { period: '2026-02', value: 101, reason: 'flood' }
    const judged = judge(KEPT, series([...KNOWN, 106, 50], [replaced]))
    expect(judged.periods[1]).toMatchObject({ actual: 50, instead: 101, error: -50 })
    expect(judged.periods[0]).toMatchObject({ actual: 106, instead: null })
  })

  it('finds the periods in a series that begins elsewhere now', () => {
    const now = { ...series([...KNOWN.slice(12), 106]), start: { cycle: 2025, season: 1 } }
    expect(judge(KEPT, now).periods[0]).toMatchObject({ actual: 106, error: 6 })
  })

  it('says nothing before anything has come', () => {
    const judged = judge(KEPT, series(KNOWN))
    expect(judged).toMatchObject({ came: 0, off: null, cumulative: null, within: {}, need: null })
    expect(recordLine(judged, TOLD)).toBe('Nothing of it has come yet')
  })

  it('adds errors up from the fifth on, and asks for a new look where half lie beyond the limits', () => {
    const of = (...came: number[]) => judge(KEPT, series([...KNOWN, ...came]))
    expect(of(105, 105, 105, 105).tracking).toBeNull()
    const low = of(105, 106, 107, 106, 106)
    expect(low.tracking).toBe(5)
    expect(leaningWords(low)).toBe('the errors add up to 5 mean errors: it was too low')
    expect(low.need).toBeNull()
    const far = of(121, 122, 108, 121, 109)
    expect(far.need).toEqual({ why: 'leans', side: 'upper', count: 3, of: 5, level: 95 })
    expect(needWords(far.need!)).toBe('3 of 5 values lie above the 95% limits')
    expect(needWords(of(100, 79, 78, 77).need!)).toBe('the last 3 values lie below the 95% limits')
    expect(of(79, 121, 79).need).toBeNull()
  })
})

it('whether the hand helped is judged over all periods of the forecasts that it bent', () => {
  const bent = (came: readonly number[]) => judge(KEPT, series([...KNOWN, ...came]))
  const plain = { ...KEPT, forecast: { ...KEPT.forecast, statistical: null } }
  const record = handRecord([
    bent([106, 88]),
    bent([]),
    bent([100]),
    judge(plain, series([...KNOWN, 500])),
  ])!
  // 6, 12 and 0 of 294 in all; without the hand 2, 16 and 4.
  expect(record.count).toBe(2)
  expect(record.with.by).toBeCloseTo((100 * 18) / 294, 9)
  expect(record.without.by).toBeCloseTo((100 * 22) / 294, 9)
  expect(handWords(record, 'litres')).toBe(
    'Of 2 kept forecasts bent by hand: off by 6.1%; without the hand 7.5%.',
  )
  expect(handRecord([bent([])])).toBeNull()
})

/** Reproducible noise of standard deviation 1. */
function noise(seed: number): () => number {
  let state = seed
  const uniform = () => ((state = (state * 1_103_515_245 + 12_345) % 2 ** 31) + 0.5) / 2 ** 31
  return () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform())
}

describe('that a forecast needs a new look', () => {
  const MONTHS = 72
  const season = (t: number) => 200 * Math.sin((2 * Math.PI * t) / 12)
  type Made = (e: () => number) => (t: number) => number
  const line: Made = (e) => (t) => 1000 + 5 * t + season(t) + 40 * e()
  const growth: Made = (e) => (t) => 1000 * 1.005 ** t * (1 + season(t) / 700) * (1 + 0.05 * e())
  const walk: Made = (e) => {
    let level = 1000
    return (t) => (level += 20 * e()) + season(t) + 30 * e()
  }
  const step: Made = (e) => (t) => (t >= MONTHS ? 1.2 : 1) * line(e)(t)

  /** How many of so many series ask for one, after some months. */
  function asked(made: Made, came: number, times = 40): number {
    const e = noise(20_260)
    return Array.from({ length: times }, () => {
      const at = made(e)
      const all = Array.from({ length: MONTHS + came }, (_, t) => at(t))
      const then = series(all.slice(0, MONTHS))
      const { method } = begin(then)
      const kept = { series: then, method, forecast: frozen(analyse(then, method)) }
      return judge(kept, series(all)).need
    }).filter((need) => need !== null).length
  }

  it.each([
    ['a line', line, 2],
    ['growth in proportion', growth, 2],
    // Its level does wander off; a new look is no loss there.
    ['a wandering level', walk, 5],
  ] as const)('is said of %s in few of 40', (_, made, most) => {
    for (const came of [3, 6, 12]) expect(asked(made, came), `${came}`).toBeLessThanOrEqual(most)
  })

  it('is said wherever the level has changed by a fifth', () => {
    for (const came of [3, 6, 12]) expect(asked(step, came, 20), `${came}`).toBe(20)
  })
})

describe('the difference of two kept forecasts', () => {
  const e = noise(7)
  const all = Array.from({ length: 66 }, (_, t) => 1000 + 5 * t + 100 * Math.sin(t / 2) + 20 * e())
  const keep = (values: readonly number[], method: MethodDocument): KeptForecast => {
    const own = series(values)
    return { series: own, method, forecast: frozen(analyse(own, method)) }
  }
  const plain: MethodDocument = { format: 'elvant-method/1' }
  const bent = {
    ...plain,
    forecast: { assumptions: [{ kind: 'amount', from: '2029-08', amount: 50, reason: 'order' }] },
  } as MethodDocument
  const before = keep(all.slice(0, 60), bent)

  const total = (figures: readonly number[]) => figures.reduce((sum, one) => sum + one, 0)

  it('adds up from new data, changed method and the hand', () => {
    const after = keep(all, { ...plain, trend: { last: 36 } })
    const found = apart(before, after)!
    expect(found.period).toEqual(['2029-07', '2029-08', '2029-09', '2029-10', '2029-11', '2029-12'])
    found.period.forEach((_, i) => {
      const steps = found.data[i]! + found.method[i]! + found.hand[i]!
      expect(steps).toBeCloseTo(found.after[i]! - found.before[i]!, 9)
    })
    expect(found.hand).toEqual([0, -50, 0, 0, 0, 0].map((x) => expect.closeTo(x, 9)))
    expect(Math.abs(total(found.method))).toBeGreaterThan(1)
    const same = apart(before, keep(all, plain))!
    for (const step of same.method) expect(step).toBeCloseTo(0, 9)
  })

  it('takes a span that ended with the values of then to the end of those of now', () => {
    const spanned = { ...plain, span: { from: '2024-01', to: '2028-12' } }
    const found = apart(keep(all.slice(0, 60), spanned), keep(all, plain))!
    for (const step of found.method) expect(step).toBeCloseTo(0, 9)
  })

  it('is none where they have no period in common', () => {
    const short = keep(all.slice(0, 48), plain)
    expect(apart(short, before)).toBeNull()
  })
})

it('keeps the figures of a result and nothing else', () => {
  const own = series(KNOWN.map((value, i) => value + i))
  const kept = frozen(analyse(own, { format: 'elvant-method/1' }))
  expect(Object.keys(kept)).toEqual(['period', 'forecast', 'limits', 'statistical'])
  expect(kept.statistical).toBeNull()
  const same: Judged = judge({ ...KEPT, series: own, forecast: kept }, own)
  expect(same.came).toBe(0)
})
