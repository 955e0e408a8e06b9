import { explain } from '../../ledger/explain'
import { besideColumn } from '../../beside/besideColumn'
import { axisOf } from '../../calendar/axis'
import { describe, expect, it } from 'vitest'
import { analyse } from '../../analyse'
import { calculate } from '../../calculate'
import { calendarOf } from '../../calendar/calendar'
import { check } from '../../check/check'
import { evaluate } from '../../column/kinds/kinds'
import { DECOMPOSITION_WAYS } from '../../decompose/ways'
import { FORECAST_WAYS } from '../../forecast/ways'
import { columnValues, ledgerOf } from '../../ledger/ledger'
import type { MethodDocument } from '../../method'
import { Refusal } from '../../refusal'
import { easterColumn } from '../../regression/regressors/calendar/easter'
import { tradingDays } from '../../regression/regressors/calendar/days'
import type { Series, Value } from '../../series/series'
import { methodSchema } from '../../../shared/methodSchema'
import type { CalendarDocument } from './options'
import type { CalendarTaken } from './taken'
import { calendarPieces, calendarWords } from './words'

const START = { cycle: 2014, season: 1 }
const AXIS = axisOf({ calendar: calendarOf('monthly'), start: START })
const SATURDAY = 0.013
const GROWS = [{ kind: 'growth', from: '2024-03', percentPerYear: 2, reason: 'a wish' }]
const EASTER = 0.045
const EFFECTS: CalendarDocument = { tradingDay: 'six', easter: 8 }
const OPEN: CalendarDocument = { ...EFFECTS, ifItHelps: ['tradingDay', 'easter'] }

/** Noise that is the same in every run. */
function noise(seed: number) {
  let state = seed
  const uniform = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
  return () => {
    const sum = Array.from({ length: 12 }, uniform).reduce((all, one) => all + one, 0)
    return sum - 6
  }
}

/** Months that grow evenly with a season; with its effects, Saturdays sell more than Mondays, and the days before Easter. */
function months(count: number, hasEffects: boolean, spread = 0.01, seed = 7): Value[] {
  const next = noise(seed)
  const six = tradingDays(AXIS)
  const easter = easterColumn(AXIS, 8)
  return Array.from({ length: count }, (_, i) => {
    const t = i + 1
    const days = SATURDAY * (six[5]!.at(t) - six[0]!.at(t))
    const effect = hasEffects ? days + EASTER * easter.at(t) : 0
    const season = 0.3 * Math.sin((2 * Math.PI * t) / 12)
    return 1000 * Math.exp(0.003 * t + season + effect + spread * next())
  })
}

function series(values: readonly Value[]): Series {
  return { name: 'Paint', unit: 'litres', calendar: calendarOf('monthly'), start: START, values }
}
const PAINT = series(months(120, true))
const base: MethodDocument = { format: 'elvant-method/1', trend: { form: 'linear' } }
const without = (calendar: CalendarDocument, more: Partial<MethodDocument> = {}) =>
  ({ ...base, ...more, calendar }) as MethodDocument
const takenOf = (own: Series, document: MethodDocument) =>
  calculate(own, document).prepared.takenOut!.calendar as CalendarTaken

/** What a way would choose for long, and is no part of what is tried here. */
const GIVEN: Readonly<Record<string, object>> = { arima: { orders: [0, 1, 1] } }

describe('calendar effects', () => {
  it('that are in the values are found, within what their limits say', () => {
    const { coefficients, covariance } = takenOf(PAINT, without(EFFECTS))
    const off = (place: number, truth: number) =>
      Math.abs(coefficients[place]! - truth) / Math.sqrt(covariance[place]![place]!)
    expect(off(0, -SATURDAY)).toBeLessThan(3)
    expect(off(5, SATURDAY)).toBeLessThan(3)
    expect(off(6, EASTER)).toBeLessThan(3)
  })

  it('are worked out in every cell of the ledger, under every way', () => {
    const ways = [
      ...DECOMPOSITION_WAYS.map(({ name }) => ({
        decompose: { by: name },
        // It goes over every period.
        ...(name === 'iterated' ? { missing: 'interpolate' } : {}),
        ...(name === 'two-seasons' ? { decompose: { by: name, seasons: [12, 24] } } : {}),
      })),
      ...FORECAST_WAYS.map(({ name }) => ({ forecast: { by: name, ...GIVEN[name] } })),
      { decompose: { model: 'additive' } },
      { trend: { form: 'smoothed' } },
      { trend: { form: 'cubic' } },
    ] as Partial<MethodDocument>[]
    const gap = series(months(120, true).with(17, null))
    for (const way of ways) {
      const isAdditive = way.decompose?.model === 'additive'
      const calendar: CalendarDocument = {
        ...EFFECTS,
        length: isAdditive ? 'leap-year' : 'divide',
        holidays: [
          {
            name: 'fair',
            dates: Array.from({ length: 12 }, (_, i) => `${2014 + i}-0${5 + (i % 2)}-2${i % 9}`),
            after: 2,
          },
        ],
      }
      const ledger = ledgerOf(analyse(gap, without(calendar, way)))
      expect(ledger.find('calendar')).toBeDefined()
      for (const column of ledger.columns) {
        columnValues(ledger, column).forEach((value, i) => {
          // Another place in every column: there are thousands of cells.
          if (value === null || (i + column.name.length) % 4 > 0) return
          const own = evaluate(column.arithmetic(ledger.run.firstT + i))
          expect(Math.abs(own - value), `${JSON.stringify(way)} ${column.name} ${i}`).toBeLessThan(
            1e-7 * (1 + Math.abs(value)),
          )
        })
      }
    }
  })

  it('are estimated without what is left out of the season, which leaves its own mark no more', () => {
    const flooded = series(months(120, true).map((y, i) => (i === 41 ? 0.6 * y! : y)))
    const exclude = [{ period: '2017-06', reason: 'flood' }]
    const error = (document: MethodDocument) =>
      Math.sqrt(takenOf(flooded, document).covariance[5]![5]!)
    const leftOut = without(EFFECTS, { decompose: { exclude } } as Partial<MethodDocument>)
    expect(error(leftOut)).toBeLessThan(0.5 * error(without(EFFECTS)))
    const ledger = ledgerOf(analyse(flooded, leftOut))
    const column = ledger.find('calendar')!
    for (const t of [1, 42, 125]) {
      const value = columnValues(ledger, column)[t - 1]!
      expect(evaluate(column.arithmetic(t))).toBeCloseTo(value, 10)
    }
  })

  it('taken out leave less, and a forecast that is nearer', () => {
    const [plain, taken] = [base, without(EFFECTS)].map((document) => ({
      left: calculate(PAINT, document).columns.irregular,
      off: check(PAINT, { ...document, check: {} })!.verdict!.method.by,
    }))
    const size = (values: readonly Value[]) =>
      Math.sqrt(values.reduce<number>((sum, value) => sum + Math.log(value ?? 1) ** 2, 0))
    expect(size(taken!.left)).toBeLessThan(0.7 * size(plain!.left))
    expect(taken!.off).toBeLessThan(0.9 * plain!.off)
  })

  it('come back into the forecast, whose limits are wider by what is not known of them', () => {
    const { ahead, inside, prepared } = calculate(PAINT, without(EFFECTS))
    const { coefficients } = prepared.takenOut!.calendar as CalendarTaken
    const columns = [...tradingDays(AXIS), easterColumn(AXIS, 8)]
    ahead.forecast.forEach((forecast, i) => {
      const t = 121 + i
      const sum = columns.reduce((all, { at }, j) => all + coefficients[j]! * at(t), 0)
      expect(forecast / inside!.forecast[i]!).toBeCloseTo(Math.exp(sum), 12)
      const apart = (limits: typeof ahead.limits, of: readonly number[]) =>
        limits['80']!.upper[i]! / of[i]! - 1
      const before = apart(inside!.limits, inside!.forecast)
      expect(apart(ahead.limits, ahead.forecast)).toBeGreaterThan(before)
      expect(apart(ahead.limits, ahead.forecast)).toBeLessThan(1.5 * before)
    })
  })

  it('beside a regression are those of the one regression that has them as columns', () => {
    const of = { forecast: { by: 'regression', season: 'dummies' } } as Partial<MethodDocument>
    const { ahead, columns, prepared, report } = calculate(PAINT, without(EFFECTS, of))
    const { coefficients } = prepared.takenOut!.calendar as CalendarTaken
    const own = [...tradingDays(AXIS), easterColumn(AXIS, 8)]
    // What one regression leaves is at right angles to every column of it, those of the calendar too.
    const left = columns.value.map((value, i) => Math.log(value! / columns.fitted[i]!))
    for (const { at } of own) {
      const along = left.reduce((sum, one, i) => sum + one * at(i + 1), 0)
      expect(Math.abs(along)).toBeLessThan(1e-9)
    }
    expect(coefficients).toHaveLength(7)
    // A constant, a trend and eleven seasons beside them.
    const df = 120 - 13 - 7
    const s = Math.sqrt(left.reduce((sum, one) => sum + one ** 2, 0) / df)
    expect(ahead).toMatchObject({ interval: { df } })
    expect(report()!.s).toBeCloseTo(s, 12)
  })

  it('cost degrees of freedom where limits are made of them', () => {
    const dfOf = (document: MethodDocument) =>
      (calculate(PAINT, document).ahead as { interval: { df: number } }).interval.df
    const of = { forecast: { by: 'decomposition' } } as Partial<MethodDocument>
    expect(dfOf({ ...base, ...of }) - dfOf(without(EFFECTS, of))).toBe(7)
  })

  it('are estimated at an origin on what was known then', () => {
    const one = check(PAINT, { ...without(EFFECTS), check: {} })!.tries[0]!
    const known = series(PAINT.values.slice(0, one.origin))
    const forecast = { horizon: one.forecast.length }
    const ahead = calculate(known, without(EFFECTS, { forecast })).ahead.forecast
    one.forecast.forEach((value, h) => expect(value).toBeCloseTo(ahead[h]!, 6))
  })
})

describe('an effect that is kept if it helps', () => {
  it('is kept where it is, and left in where it is not', () => {
    const isKept = (own: Series) => takenOf(own, without(OPEN)).groups.map((group) => group.isKept)
    expect(isKept(PAINT)).toEqual([true, true])
    let kept = 0
    const runs = 60
    for (let seed = 1; seed <= runs; seed++) {
      kept += isKept(series(months(120, false, 0.01, seed))).filter(Boolean).length
    }
    // AICc keeps a column that does nothing in about a sixth of series, six at once more seldom.
    expect(kept / (2 * runs)).toBeLessThan(0.25)
  })

  it('is not refused where the series is too short for it, and then nothing is taken out', () => {
    const short = series(months(40, true))
    expect(() => calculate(short, without({ tradingDay: 'six' }))).toThrow(/trading day needs 4/)
    const document = without({ tradingDay: 'six', ifItHelps: ['tradingDay'] })
    expect(takenOf(short, document).effects).toEqual([])
    expect(calculate(short, document).columns.deseasonalized).toEqual(
      calculate(short, base).columns.deseasonalized,
    )
  })
})

describe('refused, with its place, is', () => {
  const refusal = (own: Series, calendar: CalendarDocument, more?: Partial<MethodDocument>) => {
    try {
      calculate(own, without(calendar, more))
      return null
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      return { where: error.where, names: error.names }
    }
  }
  it.each<[string, CalendarDocument, object]>([
    [
      'a list that does not reach the last forecast',
      { holidays: [{ name: 'fair', dates: ['2014-05-01', '2023-05-01'] }] },
      { where: 'calendar.holidays.0', names: { effect: 'fair' } },
    ],
    [
      'a holiday that always falls into the same month',
      { holidays: [{ name: 'fair', dates: everyMay() }] },
      { where: 'calendar.holidays.0', names: { effect: 'fair', column: 'fair' } },
    ],
    [
      'what is to help and is not asked for',
      { easter: 8, ifItHelps: ['length'] },
      { where: 'calendar.ifItHelps' },
    ],
  ])('%s', (_, calendar, expected) => {
    expect(refusal(PAINT, calendar)).toMatchObject(expected)
  })

  it('division by days in an additive model, and any effect of half-years', () => {
    const additive = { decompose: { model: 'additive' } } as const
    expect(refusal(PAINT, { length: 'divide' }, additive)).toMatchObject({
      names: { effect: 'length of period' },
    })
    const halves = { ...PAINT, calendar: calendarOf('half-yearly') }
    expect(refusal(halves, EFFECTS)?.where).toBe('calendar')
    const twelve = { ...PAINT, calendar: calendarOf('seasons', { seasons: 12 }) }
    expect(refusal(twelve, EFFECTS)?.where).toBe('calendar')
  })
})

describe('in words', () => {
  it.each<[CalendarDocument, string]>([
    [{ tradingDay: 'six', easter: 8 }, 'trading days and Easter'],
    [{ easter: 15 }, 'Easter (15 days before)'],
    [
      { tradingDay: 'one', length: 'leap-year', easter: 8, ifItHelps: ['length', 'easter'] },
      'weekdays against weekends; leap days and Easter, where they help',
    ],
    [
      { holidays: [{ name: 'fair', dates: ['2024-05-01'] }], ifItHelps: ['fair'] },
      'fair, where it helps',
    ],
  ])('%j: %s', (calendar, words) => expect(calendarWords(calendar)).toBe(words))

  it('a document is read, and one that is none is refused with its path', () => {
    expect(methodSchema.safeParse(without(EFFECTS)).success).toBe(true)
    const wrong = methodSchema.safeParse(
      without({ holidays: [{ name: 'fair', dates: ['2023-02-29'] }] }),
    )
    expect(wrong.error?.issues[0]?.path).toEqual(['calendar', 'holidays', 0, 'dates', 0])
  })
})

function everyMay(): string[] {
  return Array.from({ length: 11 }, (_, i) => `${2014 + i}-05-01`)
}

it('what is without season and calendar says so in the ledger', () => {
  const ledger = ledgerOf(analyse(PAINT, without(EFFECTS)))
  expect(ledger.find('deseasonalized')).toMatchObject({
    label: 'No season or calendar',
    symbol: 'values without season and calendar',
    means: 'values ÷ calendar ÷ index',
  })
  expect(ledgerOf(analyse(PAINT, base)).find('deseasonalized')!.label).toBe('Deseasonalized')
})

describe('with the calendar taken out, nothing is called as if the season alone were', () => {
  it.each([
    ...DECOMPOSITION_WAYS.filter(({ traits }) => traits.hasSeason).map(({ name }) => ({
      decompose: { by: name, ...(name === 'two-seasons' ? { seasons: [12, 24] } : {}) },
    })),
    { trend: { form: 'smoothed' } },
    { forecast: { by: 'smoothing' } },
    { forecast: { by: 'decomposition', assumptions: GROWS } },
  ] as Partial<MethodDocument>[])('%j', (more) => {
    const result = analyse(PAINT, without(EFFECTS, more))
    const growth = besideColumn(result, {
      kind: 'growth',
      rate: 'yearOnYear',
      on: 'deseasonalized',
    })
    const words = [...ledgerOf(result).columns, growth].flatMap(
      ({ label, symbol, means, explains }) => [label, symbol, means, explains],
    )
    expect(words.filter((one) => /deseas/i.test(one))).toEqual([])
    // A line goes through a series, not through what it is without.
    expect(words.filter((one) => /through without/.test(one))).toEqual([])
    expect(result.trendFit).not.toMatchObject({ equation: expect.stringContaining('deseas') })
  })
})

it('a count of days is read against no baseline, what the calendar comes to is', () => {
  const result = analyse(PAINT, without(EFFECTS))
  const readingAt = (column: string) => {
    const explained = explain(result, column, 3)
    return explained.defined && explained.reading
  }
  expect(readingAt('calendar Saturday')).toBeNull()
  expect(readingAt('calendar')).toMatch(/^\d.*% (above|below) the baseline$/)
})

it('keeps the lists of dates that the method has when an effect is chosen among those that are offered', () => {
  const holidays = [
    { name: 'Stocktaking', dates: ['2014-03-03', '2025-03-05'], before: 0, after: 0 },
  ]
  const pieces = calendarPieces({ holidays, ifItHelps: ['Stocktaking'] }, PAINT)
  const word = pieces.find((piece) => typeof piece !== 'string')!
  if (typeof word === 'string' || word.ask.kind !== 'pick') throw new Error('no choices')
  const days = word.ask.choices.find(({ text }) => text.startsWith('trading days and leap days'))!
  expect(days.text).toBe('trading days and leap days; Stocktaking, where it helps')
  expect(days.change).toMatchObject({
    calendar: { tradingDay: 'six', length: 'leap-year', holidays, ifItHelps: ['Stocktaking'] },
  })
})
