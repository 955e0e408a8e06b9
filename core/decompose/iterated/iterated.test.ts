import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MODEL, MODELS, type Model } from '../../model'
import { Refusal } from '../../refusal'
import { henderson } from '../../smoothing/weightedAverage'
import { seededUniform } from '../../statistics/random'
import { finish } from '../../work/steps'
import { adjust } from './adjust'
import { USUAL_LIMITS, type Adjustable, type IteratedOptions } from './adjustable'
import { extremesOf, replaced } from './extremes'
import { frameOf } from './frame'
import { filtered, hendersonFilter } from './hendersonFilter'
import { chooseFilter } from './movingRatio'
import { musgraveWeights } from './musgrave'
import { revisionSteps } from './revisions'
import { fittingFilter, SEASONAL_FILTER } from './seasonalFilters'
import { seasonalStep } from './seasonalStep'
import { sharesBySpan } from './shares'
import { testAdjusted } from './tests'

const USUAL: IteratedOptions = { seasonal: null, henderson: null, limits: USUAL_LIMITS }
const START = { cycle: 2015, season: 3 }

/** Values of a season of ±20%, growth and noise, with a freak value now and then. */
function noisy(seasons: number, count: number, seed = 7, freaks = true): number[] {
  const uniform = seededUniform(seed)
  return Array.from({ length: count }, (_, i) => {
    const season = 1 + 0.2 * Math.cos((2 * Math.PI * i) / seasons)
    const freak = freaks && i % 29 === 17 ? 0.7 : 1
    return (1000 + 4 * i) * season * (1 + 0.03 * (uniform() - 0.5)) * freak
  })
}
const series = (seasons: number, values: readonly number[], start = START): Adjustable => ({
  ...{ seasons, start, values },
})
const near = (got: readonly number[], want: readonly number[], digits = 9) => {
  expect(got).toHaveLength(want.length)
  got.forEach((value, i) => {
    const apart = Math.abs(value - want[i]!) / Math.max(1, Math.abs(want[i]!))
    expect(apart, `entry ${i}: ${value}, not ${want[i]}`).toBeLessThan(10 ** -digits)
  })
}
const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0)

describe('the filters', () => {
  it('weigh 1 in all, at the ends as inside', () => {
    const seasonal = Object.values(SEASONAL_FILTER)
    for (const { symmetric, ends } of [...seasonal, ...[5, 7, 9, 13, 23].map(hendersonFilter)]) {
      for (const weights of [symmetric, ...ends]) expect(sum(weights)).toBeCloseTo(1, 12)
    }
    for (const { half, symmetric, ends } of seasonal) {
      expect(symmetric).toHaveLength(2 * half + 1)
      expect(ends.map((own) => own.length)).toEqual(ends.map((_, later) => half + 1 + later))
    }
  })

  it('have the ends that were published', () => {
    const last = (length: number) =>
      hendersonFilter(length).ends[0]!.map((w) => Number(w.toFixed(5)))
    expect(last(13)).toEqual([-0.09186, -0.05811, 0.01202, 0.11977, 0.2439, 0.35315, 0.42113])
    expect(last(9)).toEqual([-0.15554, -0.03384, 0.18536, 0.42429, 0.57972])
    expect(last(7)).toEqual([-0.03379, 0.11601, 0.38329, 0.53449])
    expect(last(5)).toEqual([-0.18357, 0.36713, 0.81643])
    const [inner, outer] = musgraveWeights([1 / 3, 1 / 3, 1 / 3], 2, 1.5) as [number, number]
    expect([inner.toFixed(4), outer.toFixed(4)]).toEqual(['0.3897', '0.6103'])
  })

  it('keep a line inside, and the same seen from either end', () => {
    const line = Array.from({ length: 30 }, (_, i) => 3 + 2 * i)
    const smooth = filtered(line, hendersonFilter(13))
    near(smooth.slice(6, -6), line.slice(6, -6), 12)
    const wavy = line.map((value, i) => value + Math.sin(i * i))
    const back = filtered([...wavy].reverse(), hendersonFilter(9)).reverse()
    near(filtered(wavy, hendersonFilter(9)), back, 12)
    expect(henderson(13)[6]).toBeCloseTo(0.24006, 5)
  })

  it('give way to a shorter one where years are few, and 3×1 to all years alike', () => {
    const taken = (fewest: number) => fittingFilter('3x9', fewest)
    expect([10, 9, 6, 5, 4, 3].map(taken)).toEqual(['3x9', '3x5', '3x5', '3x3', '3x3', 'stable'])
    expect(fittingFilter('3x1', 1)).toBe('stable')
    expect(fittingFilter('stable', 1)).toBe('stable')
  })
})

describe('a seasonal step', () => {
  const frame = frameOf('additive', { seasons: 4, start: { cycle: 2020, season: 1 }, values: [1] })
  it('filters each season by hand, and centres every year', () => {
    // Four years of a season 8, −2, −3, −3 that does not move: it stays, and sums to 0.
    const si = Array.from({ length: 16 }, (_, i) => [8, -2, -3, -3][i % 4]!)
    near(seasonalStep(frame, si, '3x3').season, si)
  })

  it('has the factors of the next year before its first value, and of the last behind its last', () => {
    const si = Array.from({ length: 20 }, (_, i) =>
      i < 2 || i >= 18 ? null : [8, -2, -3, -3][i % 4]! + Math.sin(i),
    )
    const { season } = seasonalStep(frame, si, '3x3')
    expect(season.slice(0, 2)).toEqual(season.slice(4, 6))
    expect(season.slice(18)).toEqual(season.slice(14, 16))
  })
})

describe('extremes', () => {
  const frame = frameOf('additive', {
    seasons: 4,
    start: { cycle: 2020, season: 1 },
    values: [100],
  })
  it('are weighed by a spread that is made without them', () => {
    // Fifteen deviations of 1 and one of 10: σ of the second pass is 1, and 10 has no weight.
    const irregular = Array.from({ length: 16 }, (_, i): number =>
      i === 7 ? 10 : i % 2 === 0 ? 1 : -1,
    )
    const { sigma, weight } = extremesOf({ ...frame, n: 16 }, irregular, USUAL_LIMITS)
    expect([...sigma]).toEqual([2020, 2021, 2022, 2023].map((year) => [year, 1]))
    expect(weight).toEqual(irregular.map((value) => (value === 10 ? 0 : 1)))
    const half = extremesOf({ ...frame, n: 16 }, irregular.with(7, 2), USUAL_LIMITS).weight[7]!
    expect(half).toBeGreaterThan(0.3)
    expect(half).toBeLessThan(0.8)
  })

  it('are replaced by two full values on either side, at the ends by the three nearest', () => {
    const at = { ...frame, seasons: 4, n: 28 }
    const si = Array.from({ length: 28 }, (_, i) => (i % 4 === 0 ? i / 4 : 0))
    const without = (entry: number) => si.map((_, i): number => (i === entry ? 0 : 1))
    // The fourth of 0, 1, … 6: (1 + 2 + 4 + 5)/4; the first: (1 + 2 + 3)/3; the last: (3 + 4 + 5)/3.
    expect(replaced(at, si, without(12))[12]).toBe(3)
    expect(replaced(at, si, without(0))[0]).toBe(2)
    expect(replaced(at, si, without(24))[24]).toBe(4)
    // Half believed it counts for a half: (0.5·3 + 1 + 2 + 4 + 5)/4.5.
    expect(replaced(at, si, without(12).with(12, 0.5))[12]).toBeCloseTo(13.5 / 4.5, 12)
  })
})

describe.each(MODELS)('an adjustment, %s', (model) => {
  const terms = MODEL[model]
  it.each([
    [12, 120],
    [12, 40],
    [4, 52],
    [4, 14],
  ])('of %i seasons and %i values recomposes them', (seasons, count) => {
    const values = noisy(seasons, count)
    const { rounds, y } = adjust(series(seasons, values), model, USUAL)
    const { season2, trend, irregular } = rounds.round3
    near(
      y.map((_, i) => terms.putBack(terms.putBack(trend[i]!, season2[i]!), irregular[i]!)),
      values,
      11,
    )
  })

  it('splits a constant and a pattern that repeats exactly', () => {
    const pattern = model === 'additive' ? [30, -10, 5, -25] : [1.2, 0.9, 1.1, 0.8]
    const values = Array.from({ length: 40 }, (_, i) => terms.putBack(500, pattern[i % 4]!))
    const { rounds } = adjust(series(4, values), model, USUAL)
    near(
      rounds.round3.trend,
      values.map(() => 500),
    )
    near(
      rounds.round3.season2,
      values.map((_, i) => pattern[i % 4]!),
    )
    expect(new Set(rounds.round2.weight)).toEqual(new Set([1]))
  })

  it('scales with its values, and nothing else', () => {
    const values = noisy(12, 96)
    const [own, larger] = [values, values.map((value) => 1000 * value)].map(
      (all) => adjust(series(12, all), model, USUAL).rounds,
    )
    near(
      larger!.round3.trend,
      own!.round3.trend.map((value) => 1000 * value),
    )
    const scale = model === 'additive' ? 1000 : 1
    near(
      larger!.round3.season2,
      own!.round3.season2.map((value) => scale * value),
    )
    near(larger!.round2.weight, own!.round2.weight)
  })

  it('is the same read backwards over whole calendar years', () => {
    const values = noisy(12, 96, 3, false)
    const start = { cycle: 2015, season: 1 }
    const fixed = { ...USUAL, limits: { lower: 90, upper: 100 } }
    const there = adjust(series(12, values, start), model, fixed).rounds.round3
    const back = adjust(series(12, [...values].reverse(), start), model, fixed).rounds.round3
    near([...back.trend].reverse(), there.trend)
    near([...back.season2].reverse(), there.season2)
  })
})

it('of an additive series a constant moves the trend alone, a fixed pattern the season alone', () => {
  const values = noisy(4, 60)
  const own = adjust(series(4, values), 'additive', USUAL).rounds.round3
  const pattern = [40, -10, -25, -5]
  // What counts as rounding is measured against the values; it is far from deciding anything here.
  const raised = adjust(
    series(
      4,
      values.map((y) => y + 300),
    ),
    'additive',
    USUAL,
  ).rounds.round3
  near(
    raised.trend,
    own.trend.map((value) => value + 300),
    8,
  )
  near(raised.season2, own.season2, 8)
  const waved = values.map((y, i) => y + pattern[(i + START.season - 1) % 4]!)
  const more = adjust(series(4, waved), 'additive', USUAL).rounds.round3
  near(more.trend, own.trend, 8)
})

it('what is appended serves the averages, has full weight, and decides nothing', () => {
  const values = noisy(12, 96)
  const extension = noisy(12, 108).slice(96)
  const short = adjust(series(12, values), 'multiplicative', USUAL)
  const long = adjust({ ...series(12, values), extension }, 'multiplicative', USUAL)
  expect(long.y).toHaveLength(108)
  expect(long.rounds.round2.weight.slice(96)).toEqual(extension.map(() => 1))
  expect([...long.rounds.round2.sigma.keys()]).toEqual([...short.rounds.round2.sigma.keys()])
  expect(long.seasonAhead).toEqual(long.rounds.round3.season2.slice(96))
  const [, before] = [
    short.rounds.round3.season2.slice(72, 84),
    short.rounds.round3.season2.slice(84),
  ]
  const carried = before.map(
    (value, i) => value + 0.5 * (value - short.rounds.round3.season2[72 + i]!),
  )
  near(short.seasonAhead, carried, 12)
})

describe('what is refused is named', () => {
  const values = noisy(12, 60)
  const refusal = (
    more: Partial<Adjustable>,
    model: Model = 'additive',
    options: Partial<IteratedOptions> = {},
  ) => {
    try {
      adjust({ ...series(12, values), ...more }, model, { ...USUAL, ...options })
    } catch (error) {
      if (error instanceof Refusal) return Object.values(error.names).flat()
      throw error
    }
    return null
  }
  it.each([
    ['seasons', { seasons: 6 }, {}, [6]],
    ['too few years', { values: values.slice(0, 35) }, {}, [36]],
    ['a missing value', { values: [...values].with(40, null as never) }, {}, [41]],
    ['a long extension', { extension: values.slice(0, 13) }, {}, ['extension']],
    ['limits', {}, { limits: { lower: 2, upper: 2 } }, ['upper', 'lower']],
    ['a filter', {}, { seasonal: '3x7' as never }, ['seasonal']],
    ['a length', {}, { henderson: 7 }, ['henderson']],
  ])('%s', (_, more, options, names) => {
    expect(refusal(more, 'additive', options)).toEqual(names)
  })

  it('a value not above 0, appended or not, for a multiplicative season alone', () => {
    expect(refusal({ values: values.with(5, 0) }, 'multiplicative')).toEqual([6])
    expect(refusal({ extension: [-1] }, 'multiplicative')).toEqual([61])
    expect(refusal({ values: values.with(5, 0) })).toBeNull()
  })
})

it('the filter that is chosen is that of the ratio, years being left out where it lies between two', () => {
  const frame = { ...frameOf('multiplicative', { ...series(4, [1]), values: [1] }), n: 60 }
  const uniform = seededUniform(11)
  fc.assert(
    fc.property(fc.double({ min: 0.001, max: 0.2, noNaN: true }), (moves) => {
      const si = Array.from(
        { length: 60 },
        (_, i) => 1 + 0.1 * Math.sin(i) + moves * Math.sin(i / 20) + 0.02 * (uniform() - 0.5),
      )
      const { tries, choice } = chooseFilter(frame, si)
      const last = tries.at(-1)!.ratio!
      const byRatio = last < 2.5 ? '3x3' : last < 6.5 ? '3x5' : '3x9'
      expect(choice).toBe(byRatio)
      for (const { ratio } of tries.slice(0, -1)) {
        expect((ratio! >= 2.5 && ratio! < 3.5) || (ratio! >= 5.5 && ratio! < 6.5)).toBe(true)
      }
    }),
    { numRuns: 60 },
  )
})

describe('what is said of an adjustment', () => {
  const monthly = adjust(series(12, noisy(12, 120)), 'multiplicative', USUAL)
  it('finds the season that is there, and none in noise', () => {
    const found = testAdjusted(monthly.frame, monthly.rounds.round3.siUnmodified)
    expect(found.combined?.verdict).toBe('present')
    const uniform = seededUniform(5)
    const noise = Array.from({ length: 120 }, () => 1000 * (1 + 0.05 * (uniform() - 0.5)))
    const none = adjust(series(12, noise), 'multiplicative', USUAL)
    expect(testAdjusted(none.frame, none.rounds.round3.siUnmodified).combined?.verdict).toBe(
      'not present',
    )
  })

  it('shares out all that the components move', () => {
    const shares = sharesBySpan(monthly)
    expect(shares.map(({ span }) => span)).toEqual(Array.from({ length: 12 }, (_, i) => i + 1))
    for (const { share } of shares) expect(sum(Object.values(share))).toBeCloseTo(100, 9)
    // Over a year the season comes back to itself: what moves is the trend.
    expect(shares[11]!.share.seasonal).toBeLessThan(5)
    expect(shares[0]!.share.seasonal).toBeGreaterThan(shares[0]!.share.trendCycle)
  })

  it('lays the last year of shorter series beside what it is now, as far back as there are years', () => {
    const values = noisy(4, 28)
    const revisions = finish(revisionSteps(series(4, values), 'additive', USUAL, 10))
    expect(revisions.map(({ yearsDropped }) => yearsDropped)).toEqual([1, 2, 3, 4])
    expect(revisions[0]!.periods.map(({ t }) => t)).toEqual([21, 22, 23, 24])
    const [one] = revisions[0]!.periods
    expect(one!.revision).toBeCloseTo(one!.last! - one!.first!, 12)
  })
})
