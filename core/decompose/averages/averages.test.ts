import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { calendarOf } from '../../calendar/calendar'
import { Refusal } from '../../refusal'
import type { Series, Value } from '../../series/series'
import { stretchOf } from '../../series/stretch'
import { trendLine } from '../../trend/leastSquares/fit'
import { decomposeByAverages } from './calculate'
import { INDEX_AVERAGES } from '../seasonalIndices'
import { AVERAGES_WAYS, type AveragesOptions } from './options'

const choices: AveragesOptions = {
  by: 'ratio-to-moving-average',
  model: 'multiplicative',
  average: 'mean',
  adjust: true,
  exclude: [],
}

function decompose(
  values: readonly Value[],
  more: Partial<AveragesOptions> = {},
  m = 4,
  leftOut: ReadonlySet<number> = new Set(),
) {
  const series: Series = {
    name: 'jobs',
    unit: 'jobs',
    calendar: m === 4 ? calendarOf('quarterly') : calendarOf('seasons', { seasons: m }),
    start: { cycle: 2020, season: 1 },
    values,
  }
  const stretch = stretchOf(series, 1, values.length)
  const { taken, season, ...parts } = decomposeByAverages(stretch, { ...choices, ...more }, leftOut)
  return { ...parts, ...season!, ...taken }
}

/** Positive series of 2 to 6 cycles with a season, a trend and noise; some values missing. */
const seasonal = fc
  .record({
    m: fc.integer({ min: 2, max: 12 }),
    cycles: fc.integer({ min: 3, max: 6 }),
    extra: fc.integer({ min: 0, max: 5 }),
    level: fc.integer({ min: 200, max: 5000 }),
    seed: fc.infiniteStream(fc.double({ min: 0.7, max: 1.3, noNaN: true })),
  })
  .map(({ m, cycles, extra, level, seed }) => {
    const next = () => seed.next().value as number
    const pattern = Array.from({ length: m }, next)
    return {
      m,
      values: Array.from(
        { length: m * cycles + extra },
        (_, i) => level * pattern[i % m]! * next(),
      ),
    }
  })
const anyChoice = fc.record({
  by: fc.constantFrom(...AVERAGES_WAYS),
  model: fc.constantFrom('multiplicative' as const, 'additive' as const),
  average: fc.constantFrom(...INDEX_AVERAGES),
})

/** Calculates, passing over the few random series whose trend line is not above 0. */
function unlessRefused<T>(calculate: () => T): T | null {
  try {
    return calculate()
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}

function expectClose(got: readonly Value[], want: readonly Value[], scale: number) {
  got.forEach((value, i) => {
    if (want[i] === null) expect(value).toBeNull()
    else expect(Math.abs(value! - want[i]!)).toBeLessThanOrEqual(1e-9 * scale)
  })
}

describe('ratio to moving average, by hand', () => {
  // Sixteen quarters: ratios, indices and the line were worked out with a pocket calculator.
  const values = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
  const got = decompose(values)

  it('averages', () => {
    expect('offCentre' in got && got.offCentre!.slice(0, 3)).toEqual([56, 57, 58.5])
    expect(got.trendCycle.slice(0, 4)).toEqual([null, null, 56.5, 57.75])
    expect(got.trendCycle.slice(-2)).toEqual([null, null])
  })

  it('ratios', () => {
    expect(got.seasonalIrregular[2]).toBeCloseTo(150 / 113, 14)
    expect(got.seasonalIrregular[3]).toBeCloseTo(52 / 77, 14)
  })

  it('indices: raw, adjusted, and what they were divided by', () => {
    expect(got.indices.map(({ raw }) => raw.toFixed(4))).toEqual([
      '0.7829',
      '1.2171',
      '1.3359',
      '0.6651',
    ])
    expect(got.rawIndexMean.toFixed(6)).toBe('1.000263')
    expect(got.indices.map(({ index }) => index.toFixed(4))).toEqual([
      '0.7827',
      '1.2167',
      '1.3356',
      '0.6650',
    ])
  })

  it('the line through the deseasonalized quarters', () => {
    const { intercept, slope } = trendLine(got.deseasonalized, 1)
    expect(intercept.toFixed(4)).toBe('52.9162')
    expect(slope.toFixed(4)).toBe('1.2332')
  })
})

describe('invariants', () => {
  it('components recompose the series wherever they are defined', () => {
    fc.assert(
      fc.property(seasonal, anyChoice, ({ m, values }, choice) => {
        const got = unlessRefused(() => decompose(values, choice, m))
        got?.irregular.forEach((irregular, i) => {
          if (irregular === null) return
          const whole =
            choice.model === 'multiplicative'
              ? got.trendCycle[i]! * got.index[i]! * irregular
              : got.trendCycle[i]! + got.index[i]! + irregular
          expect(whole).toBeCloseTo(values[i]!, 6)
        })
      }),
    )
  })

  it('adjusted indices average 1, or sum to 0', () => {
    fc.assert(
      fc.property(seasonal, anyChoice, ({ m, values }, choice) => {
        const got = unlessRefused(() => decompose(values, choice, m))
        if (!got) return
        const sum = got.indices.reduce((total, { index }) => total + index, 0)
        if (choice.model === 'multiplicative') expect(sum / m).toBeCloseTo(1, 12)
        else expect(sum / m / Math.max(...values)).toBeCloseTo(0, 12)
      }),
    )
  })

  it('scaling the data scales what has its unit and leaves factors alone', () => {
    fc.assert(
      fc.property(seasonal, anyChoice, ({ m, values }, choice) => {
        const once = unlessRefused(() => decompose(values, choice, m))
        const scaled = unlessRefused(() =>
          decompose(
            values.map((value) => 8 * value),
            choice,
            m,
          ),
        )
        if (!once || !scaled) return
        const size = Math.max(...values) * 8
        const by = choice.model === 'multiplicative' ? 1 : 8
        const times = (list: readonly Value[], factor: number) =>
          list.map((value) => (value === null ? null : value * factor))
        expectClose(scaled.trendCycle, times(once.trendCycle, 8), size)
        expectClose(scaled.deseasonalized, times(once.deseasonalized, 8), size)
        expectClose(scaled.index, times(once.index, by), size)
        expectClose(scaled.irregular, times(once.irregular, by), size)
      }),
    )
  })

  it('starting the same values a season later moves the indices by a season', () => {
    fc.assert(
      fc.property(seasonal, anyChoice, ({ m, values }, choice) => {
        const calendar = calendarOf('seasons', { seasons: m })
        const from = (season: number) =>
          unlessRefused(() =>
            decomposeByAverages(
              stretchOf(
                { name: '', unit: '', calendar, start: { cycle: 1, season }, values },
                1,
                values.length,
              ),
              { ...choices, ...choice },
            ),
          )
        const [first, later] = [from(1), from(2)]
        if (!first || !later) return
        first.season!.indices.forEach(({ season, index }) => {
          const moved = later.season!.indices[season % m]!.index
          expect(moved).toBeCloseTo(index, 10)
        })
      }),
    )
  })

  it('adding a constant moves an additive trend and leaves the indices', () => {
    fc.assert(
      fc.property(seasonal, ({ m, values }) => {
        const once = decompose(values, { model: 'additive' }, m)
        const raised = decompose(
          values.map((value) => value + 1000),
          { model: 'additive' },
          m,
        )
        expectClose(raised.index, once.index, 1e4)
        expectClose(
          raised.trendCycle,
          once.trendCycle.map((value) => (value === null ? null : value + 1000)),
          1e4,
        )
      }),
    )
  })

  it('a pure season on a level is found exactly', () => {
    const pattern = [0.5, 1.5, 1.2, 0.8]
    const values = Array.from({ length: 16 }, (_, i) => 1000 * pattern[i % 4]!)
    for (const by of AVERAGES_WAYS.filter((way) => way !== 'ratio-to-trend')) {
      const got = decompose(values, { by })
      got.indices.forEach(({ index }, k) => expect(index).toBeCloseTo(pattern[k]!, 10))
      got.irregular.forEach((value) => value !== null && expect(value).toBeCloseTo(1, 10))
    }
  })
})

describe('missing values and exclusions', () => {
  const values: Value[] = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]

  it('a missing value empties the averages that touch it and nothing else', () => {
    const gapped = values.with(7, null)
    const got = decompose(gapped)
    expect(got.trendCycle.map((value) => value === null)).toEqual(
      values.map((_, i) => i < 2 || i > 13 || Math.abs(i - 7) <= 2),
    )
    expect(got.deseasonalized[7]).toBeNull()
    expect(got.indices[3]!.count).toBe(2)
  })

  it('a value left out does not count towards its index, and stays in the averages', () => {
    const got = decompose(values, {}, 4, new Set([3, 7]))
    const all = decompose(values)
    expect(got.indices[2]!.count).toBe(1)
    expect(got.indices[3]!.count).toBe(3)
    expect(got.trendCycle).toEqual(all.trendCycle)
    expect(got.seasonalIrregular).toEqual(all.seasonalIrregular)
    const kept = [11].map((t) => all.seasonalIrregular[t - 1]!)
    expect(got.indices[2]!.raw).toBeCloseTo(kept[0]!, 14)
  })
})

describe('refusals', () => {
  const eight = [42, 68, 75, 39, 46, 74, 83, 41]

  it('two full years are enough, one period less is not', () => {
    expect(decompose(eight).indices).toHaveLength(4)
    expect(() => decompose(eight.slice(1))).toThrow(/8 quarters\); there are 7/)
  })

  it('names the first value that is not above 0', () => {
    const refusal = catchRefusal(() => decompose([...eight, 5, 0, -3]))
    expect(refusal.because).toContain('2022 Q2 is 0')
    expect(refusal.where).toBe('2022-Q2')
    expect(refusal.names).toEqual({ t: 10, year: 2022, season: 2 })
    expect(decompose([...eight, 5, 0, -3], { model: 'additive' }).index).toHaveLength(11)
  })

  it('names every season that is left without a value', () => {
    const refusal = catchRefusal(() => decompose(eight, {}, 4, new Set([3, 4])))
    expect(refusal.names.seasons).toEqual([3, 4])
    expect(refusal.because).toContain('Q3, Q4')
  })

  it('a year without seasons has nothing to take out', () => {
    const yearly: Series = {
      name: '',
      unit: '',
      calendar: calendarOf('yearly'),
      start: { cycle: 2000, season: 1 },
      values: eight,
    }
    expect(() => decomposeByAverages(stretchOf(yearly, 1, 8), choices)).toThrow(/no season/)
  })
})

function catchRefusal(act: () => unknown): Refusal {
  try {
    act()
  } catch (error) {
    if (error instanceof Refusal) return error
  }
  throw new Error('It was not refused.')
}
