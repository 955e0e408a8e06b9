import { describe, expect, it } from 'vitest'
import { axisOf } from '../../calendar/axis'
import { calendarOf } from '../../calendar/calendar'
import { calculate } from '../../calculate'
import { evaluate, madeIn, write } from '../../column/kinds/kinds'
import type { MethodDocument } from '../../method'
import { tradingDays } from '../../regression/regressors/calendar/days'
import type { Series } from '../../series/series'
import { twoSidedT } from '../../statistics/distributions'
import type { CalendarDocument } from './options'
import { calendarTakenIn, readEffects } from './reading'
import type { CalendarTaken } from './taken'
import { criterionWorking, effectWorking, jointWorking, reachWorking } from './working'

const START = { cycle: 2014, season: 1 }
const CALENDAR = calendarOf('monthly')
const SIX = tradingDays(axisOf({ calendar: CALENDAR, start: START }))

/** Eight years in which Saturdays sell more than Mondays; what else moves them repeats in no rhythm of theirs. */
const paint: Series = {
  ...{ name: 'Paint', unit: 'litres', calendar: CALENDAR, start: START },
  values: Array.from({ length: 96 }, (_, i) => {
    const days = 0.01 * (SIX[5]!.at(i + 1) - SIX[0]!.at(i + 1))
    const rest = 0.02 * Math.sin(1.7 * i * i)
    return 1000 * Math.exp(0.003 * i + 0.2 * Math.sin((2 * Math.PI * i) / 12) + days + rest)
  }),
}

function takenBy(model: 'additive' | 'multiplicative', calendar: CalendarDocument): CalendarTaken {
  const document: MethodDocument = {
    format: 'elvant-method/1',
    ...{ decompose: { model }, trend: { form: 'linear' }, calendar },
  }
  return calendarTakenIn(calculate(paint, document).prepared.takenOut)!
}

const EFFECTS: CalendarDocument = { tradingDay: 'six', length: 'leap-year', easter: 8 }
const CASES: readonly [string, CalendarTaken][] = [
  ['shares', takenBy('multiplicative', EFFECTS)],
  ['amounts', takenBy('additive', EFFECTS)],
  [
    'what helps alone',
    takenBy('multiplicative', { ...EFFECTS, ifItHelps: ['tradingDay', 'length', 'easter'] }),
  ],
  [
    'the errors of a model',
    takenBy('multiplicative', { ...EFFECTS, errors: 'arima', orders: [0, 1, 1] }),
  ],
]

describe.each(CASES)('the working of the calendar, %s', (_, taken) => {
  it('comes to every figure that is shown', () => {
    const workings = [
      ...readEffects(taken).flatMap((read) => [
        effectWorking(taken, read),
        reachWorking(taken, read, 95),
      ]),
      ...taken.groups.flatMap((group) => [
        jointWorking(taken, group)!,
        criterionWorking(taken, group)!,
      ]),
    ]
    expect(workings.length).toBeGreaterThan(8)
    for (const { title, value, expression } of workings) {
      expect(evaluate(expression), title).toBeCloseTo(value, 9)
      // So do the figures within it, each by its own arithmetic.
      for (const { symbol, value: own, made } of madeIn(expression)) {
        expect(Math.abs(evaluate(made) - own), `${title}: ${symbol}`).toBeLessThan(
          1e-9 * Math.max(1, Math.abs(own)),
        )
      }
    }
  })
})

it('of a single column has F = t², and the p of t', () => {
  const [, taken] = CASES[1]!
  const easter = taken.groups.find(({ name }) => name === 'easter8')!
  const read = readEffects(taken).at(-1)!
  const t = read.estimate / read.standardError
  expect(easter.joint.f!).toBeCloseTo(t ** 2, 9)
  expect(easter.joint.p!).toBeCloseTo(twoSidedT(t, easter.joint.df2), 9)
})

it('of a Sunday is printed as minus the six', () => {
  const [, taken] = CASES[1]!
  const sunday = readEffects(taken).find(({ name }) => name.includes('Sunday'))!
  const { expression } = effectWorking(taken, sunday)
  expect(write(expression)).toMatch(/^−1 × \(effect of Mondays \+ .* \+ effect of Saturdays\)$/)
})
