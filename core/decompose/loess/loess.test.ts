import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { calendarOf } from '../../calendar/calendar'
import type { Value } from '../../series/series'
import { stretchOf } from '../../series/stretch'
import { strengthsOf } from '../../seasonality/strength'
import { decomposeByLoess } from './calculate'
import type { Model } from '../../model'
import { stlParameters, type StlParameters } from '../stl/windows'

const PATTERN = [5, -3, 8, -10]
const quarters = (years: number, more: (t: number) => number = () => 0): number[] =>
  Array.from({ length: 4 * years }, (_, t) => 100 + 2 * t + PATTERN[t % 4]! + more(t))
const parameters = (n: number, robust = false) => stlParameters({ seasonalWindow: 7, robust }, n, 4)

/** T, S, I, weights and strengths of a quarterly series. */
function decompose(
  values: readonly Value[],
  model: Model,
  chosen: StlParameters,
  exclude?: ReadonlySet<number>,
) {
  const series = {
    name: 'jobs',
    unit: 'jobs',
    calendar: calendarOf('quarterly'),
    start: { cycle: 2010, season: 1 },
    values,
  }
  const stretch = stretchOf(series, 1, values.length)
  const parts = decomposeByLoess(stretch, model, chosen, exclude)
  const { trendCycle, index, irregular, taken, season } = parts
  return {
    ...parts,
    ...taken,
    ...season!,
    strength: strengthsOf(model, {
      trend: trendCycle,
      seasonal: index,
      remainder: irregular,
    }),
    trend: trendCycle as number[],
    seasonal: index,
    remainder: irregular,
  }
}

describe('decomposition by loess', () => {
  it('takes a line and a season that never changes apart exactly', () => {
    const y = quarters(8)
    const { trend, seasonal, remainder, strength } = decompose(y, 'additive', parameters(32))
    remainder.forEach((value) => expect(value).toBeCloseTo(0, 8))
    trend.forEach((value, t) => expect(value).toBeCloseTo(100 + 2 * t, 8))
    seasonal.forEach((value, t) => expect(value).toBeCloseTo(PATTERN[t % 4]!, 8))
    expect(strength.trend).toBeCloseTo(1, 8)
  })

  it('recomposes, and follows a change of unit', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 1000, noNaN: true }), { minLength: 12, maxLength: 40 }),
        fc.constantFrom(0.001, 7, 1e6),
        (y, scale) => {
          const own = decompose(y, 'additive', parameters(y.length))
          const scaled = decompose(
            y.map((value) => value * scale),
            'additive',
            parameters(y.length),
          )
          y.forEach((value, t) => {
            expect(own.trend[t]! + own.seasonal[t]! + own.remainder[t]!).toBeCloseTo(value, 8)
            expect(scaled.trend[t]! / scale).toBeCloseTo(own.trend[t]!, 6)
          })
        },
      ),
    )
  })

  it('distrusts a flood when it is robust, and is wrecked by it when it is not', () => {
    const flood = quarters(10, (t) => (t === 17 ? -300 : Math.sin(t * 7) * 0.5))
    const robust = decompose(flood, 'additive', parameters(40, true))
    const plain = decompose(flood, 'additive', parameters(40))
    expect(robust.weights[17]).toBe(0)
    const error = ({ trend }: { trend: readonly number[] }) => Math.abs(trend[17]! - 134)
    expect(error(robust)).toBeLessThan(1)
    expect(error(plain)).toBeGreaterThan(20)
  })

  it('gives trend and season, and no remainder, where a value is missing', () => {
    const y: Value[] = quarters(8).with(9, null as unknown as number)
    const { trend, remainder, weights } = decompose(y, 'multiplicative', parameters(32))
    expect(trend[9]).toBeGreaterThan(0)
    expect([remainder[9], weights[9]]).toEqual([null, 0])
  })

  it.each([
    ['too short', () => decompose([1, 2, 3, 4, 5], 'additive', parameters(5)), 'two full years'],
    [
      'a season of gaps',
      () =>
        decompose(
          quarters(3).map((v, t) => (t % 4 === 1 ? null : v)),
          'additive',
          parameters(12),
        ),
      'fit to for Q2',
    ],
    [
      'zero in logarithms',
      () => decompose(quarters(3).with(2, 0), 'multiplicative', parameters(12)),
      'above 0',
    ],
    ['an even window', () => stlParameters({ seasonalWindow: 8 }, 40, 4), 'window of the season'],
    ['a small window', () => stlParameters({ seasonalWindow: 5 }, 40, 4), 'at least 7'],
    [
      'an even trend window',
      () => stlParameters({ seasonalWindow: 7, trendWindow: 10 }, 40, 4),
      'window of the trend-cycle',
    ],
  ])('refuses %s by name', (_, act, words) => {
    expect(act).toThrow(words)
  })

  it('fits a period that is left out as if it were missing, and says how far off it stands', () => {
    const flood = quarters(10, (t) => (t === 17 ? -60 : Math.sin(t * 7) * 0.5))
    const out = decompose(flood, 'additive', parameters(40), new Set([18]))
    const missing = decompose(flood.with(17, null as unknown as number), 'additive', parameters(40))
    expect(out.trend).toEqual(missing.trend)
    expect(out.remainder[17]).toBeCloseTo(-60, 0)
  })

  it('repeats the last year of a season that moves, and averages it over the years', () => {
    const growing = quarters(12, (t) => (t % 4 === 0 ? t : 0))
    const { indices, seasonal } = decompose(growing, 'additive', parameters(48))
    expect(indices[0]!.index).toBe(seasonal[44])
    expect(indices[0]!.raw).toBeLessThan(indices[0]!.index - 5)
  })
})
