import { describe, expect, it } from 'vitest'
import { calendarOf } from '../calendar/calendar'
import { takeApart } from '../calculate'
import { adjust } from '../decompose/iterated/adjust'
import { USUAL_LIMITS } from '../decompose/iterated/adjustable'
import { revisionSteps } from '../decompose/iterated/revisions'
import type { MethodDocument } from '../method'
import { tradingDays } from '../regression/regressors/calendar/days'
import { axisOf } from '../calendar/axis'
import type { Series } from '../series/series'
import { seededUniform } from '../statistics/random'
import { finish } from '../work/steps'
import { calendarAfter } from './calendarAfter'
import { historyOf, revisionsOf } from './revisions'

const START = { cycle: 2012, season: 1 }
const AXIS = axisOf({ calendar: calendarOf('monthly'), start: START })
const SUNDAYS_LESS = tradingDays(AXIS)[5]!

/** Growth, a season that moves unless the days of the week are what is looked at, and noise. */
function monthly(count: number, saturday = 0): Series {
  const uniform = seededUniform(5)
  return {
    ...{ name: 'Primer', unit: 'litres', calendar: calendarOf('monthly'), start: START },
    values: Array.from({ length: count }, (_, i) => {
      const season = 1 + 0.2 * Math.cos((2 * Math.PI * i) / 12 + (saturday === 0 ? i / 60 : 0))
      return (
        (1000 + 5 * i) * season * (1 + 0.03 * (uniform() - 0.5) + saturday * SUNDAYS_LESS.at(i + 1))
      )
    }),
  }
}
const by = (decompose: MethodDocument['decompose']): MethodDocument => ({
  format: 'elvant-method/1',
  decompose,
})

describe('revisions', () => {
  it('of iterated averages are those of the procedure itself', () => {
    const series = monthly(96)
    const got = finish(revisionsOf(series, by({ by: 'iterated', model: 'multiplicative' })))
    const want = finish(
      revisionSteps(
        { seasons: 12, start: START, values: series.values },
        'multiplicative',
        { seasonal: null, henderson: null, limits: USUAL_LIMITS },
        5,
      ),
    )
    const periods = want.toReversed().flatMap((year) => year.periods)
    expect(got.periods.map(({ t }) => t)).toEqual(periods.map(({ t }) => t))
    got.periods.forEach((one, i) => {
      expect(one.revision).toBeCloseTo(periods[i]!.revision!, 9)
      expect(one.trendRevision).toBeCloseTo(periods[i]!.trendRevision!, 9)
    })
    // By season: the mean of the same, of every January.
    const januaries = periods.filter(({ t }) => t % 12 === 1)
    const mean =
      januaries.reduce((sum, { revision }) => sum + Math.abs(revision!), 0) / januaries.length
    expect(got.bySeason[0]!.adjusted).toBeCloseTo(mean, 9)
  })

  it('of a season that never changes and no trend-cycle at the ends have no revision of the trend', () => {
    const got = finish(revisionsOf(monthly(72), by({ by: 'ratio-to-moving-average' })))
    expect(got.periods.length).toBeGreaterThan(0)
    expect(got.adjusted).toBeGreaterThan(0)
    // The last half year of each shorter series has no average yet.
    expect(got.periods.at(-1)!.trendRevision).toBeNull()
  })

  it('of too short a series are none, and of a refused method the refusal', () => {
    const short = by({ by: 'iterated' })
    expect(finish(revisionsOf(monthly(40), short)).periods).toEqual([])
    expect(() => finish(revisionsOf(monthly(30), short))).toThrow(/3 full years/)
  })
})

it('the history of a period ends at what it is now, and begins with what it was when it was the last', () => {
  const series = monthly(84)
  const document = by({ by: 'iterated', model: 'additive' })
  const { at } = finish(historyOf(series, document, 70))
  expect(at.map(({ end }) => end)).toEqual(Array.from({ length: 15 }, (_, k) => 70 + k))
  const now = takeApart(series, document).decomposed
  expect(at.at(-1)!.adjusted).toBe(now.deseasonalized[69])
  const first = adjust(
    { seasons: 12, start: START, values: series.values.slice(0, 70) },
    'additive',
    { seasonal: null, henderson: null, limits: USUAL_LIMITS },
  )
  expect(at[0]!.adjusted).toBeCloseTo(first.rounds.round3.adjusted[69]!, 9)
})

it('what the calendar leaves is found where it is left in, and not where it is taken out', () => {
  const series = monthly(120, 0.02)
  const decompose = { by: 'iterated' } as const
  const chance = (document: MethodDocument) => {
    const { whole, lately } = calendarAfter(series, document)
    const of = (all: typeof whole) => all.find(({ name }) => name === 'tradingDay')!.joint.p!
    return [of(whole), of(lately)]
  }
  const [left, leftLately] = chance(by(decompose))
  expect(left).toBeLessThan(1e-6)
  expect(leftLately).toBeLessThan(0.01)
  const [out] = chance({ ...by(decompose), calendar: { tradingDay: 'six' } })
  expect(out).toBeGreaterThan(0.5)
})
