import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import type { MethodDocument } from '../method'
import { explain } from '../ledger/explain'
import { actualOf } from '../ledger/ledger'
import { evaluate, write } from './kinds/kinds'
import { localFit, type LocalFitInput } from './localFit'

const t = Array.from({ length: 15 }, (_, i) => i + 1)
const input: LocalFitInput = {
  t,
  z: t.map((at) => 10 + 2 * at),
  robustness: t.map(() => 1),
  at: 8,
  window: 7,
  degree: 1,
  model: 'additive',
  column: 'value',
}

describe('the picture of a local regression', () => {
  it('is the line itself over a line, with its window and falling weights', () => {
    const fit = localFit(input)!
    expect(fit.value).toBeCloseTo(26, 10)
    for (const point of fit.line) expect(point.value).toBeCloseTo(10 + 2 * point.t, 9)
    const weights = fit.points.map(({ weight }) => weight)
    const middle = weights.indexOf(1)
    expect(fit.points[middle]!.t).toBe(8)
    expect(weights.slice(middle)).toEqual([...weights.slice(middle)].sort((a, b) => b - a))
  })

  it('gives a distrusted point no weight, and a missing one no place', () => {
    const fit = localFit({
      ...input,
      z: input.z.with(6, 999).with(8, null),
      robustness: input.robustness.with(6, 0).with(8, 0),
    })!
    expect(fit.value).toBeCloseTo(26, 9)
    expect(fit.points.find((point) => point.t === 7)).toMatchObject({ value: 999, weight: 0 })
    expect(fit.points.some((point) => point.t === 9)).toBe(false)
    expect(fit.sources.map((cell) => cell.t)).not.toContain(7)
  })

  it('is curved in units where it is straight in logarithms', () => {
    const grows = t.map((at) => Math.log(100 * 1.1 ** at))
    const fit = localFit({ ...input, z: grows, model: 'multiplicative' })!
    expect(fit.value).toBeCloseTo(100 * 1.1 ** 8, 6)
    const [first, , last] = [fit.line[0]!, null, fit.line.at(-1)!]
    expect(last.value / first.value).toBeCloseTo(1.1 ** (last.t - first.t), 6)
  })

  it('is none where every weight is 0', () => {
    expect(localFit({ ...input, robustness: t.map(() => 0) })).toBeNull()
  })
})

describe('a value of robust loess explained', () => {
  const values = Array.from(
    { length: 96 },
    (_, i) =>
      (1000 + 5 * i) *
      (1 + 0.2 * Math.cos(i / 1.91)) *
      (i === 40 ? 0.5 : 1 + 0.01 * Math.sin(i * i)),
  )
  const run = (decompose: MethodDocument['decompose']) =>
    analyse(
      {
        name: 'Varnish',
        unit: 'litres',
        calendar: calendarOf('monthly'),
        start: { cycle: 2016, season: 1 },
        values,
      },
      { format: 'elvant-method/1', decompose: { by: 'stl', ...decompose } },
    )
  const result = run({})

  it('the trend lights the deseasonalized cells of its window', () => {
    const told = explain(result, 'trendCycle', 60)
    if (!told.defined) throw new Error(told.because)
    expect(write(told.expression)).toBe('local line through 21 months around Dec 2020')
    expect(new Set(told.sources.map(({ column }) => column))).toEqual(new Set(['deseasonalized']))
    expect(told.sources.every((cell) => Math.abs(cell.t - 60) <= 10)).toBe(true)
    expect(told.localFit!.at).toBe(60)
  })

  it('the freak month is drawn and does not count', () => {
    const told = explain(result, 'trendCycle', 43)
    if (!told.defined) throw new Error(told.because)
    expect(told.localFit!.points.find((point) => point.t === 41)!.weight).toBe(0)
    expect(told.sources.some((cell) => cell.t === 41)).toBe(false)
  })

  it('the season is its own smooth without the level in it, read against the baseline', () => {
    const told = explain(result, 'index', 65)
    if (!told.defined) throw new Error(told.because)
    expect(write(told.expression)).toMatch(/^local line through 13 years around May 2021 ÷ level/)
    expect(told.reading).toMatch(/(above|below) the baseline$/)
    expect(told.localFit!.points.every((point) => (point.t - 65) % 12 === 0)).toBe(true)
  })

  it('a season that never changes is the mean over the years', () => {
    const told = explain(run({ by: 'stl', seasonalWindow: 'periodic' }), 'index', 65)
    if (!told.defined) throw new Error(told.because)
    expect(told.expression).toMatchObject({ kind: 'average', how: 'geometric-mean' })
    expect(told.localFit).toBeNull()
  })

  it('a weight says how far off its period stood', () => {
    const weights = actualOf(result, 'weight')
    const some = weights.findIndex((weight) => weight! > 0.2 && weight! < 0.9)
    const told = explain(result, 'weight', some + 1)
    if (!told.defined) throw new Error(told.because)
    expect(write(told.expression)).toBe('(1 − (|r| ÷ h)²)²')
    expect(evaluate(told.expression)).toBeCloseTo(weights[some]!, 12)
    const freak = explain(result, 'weight', 41)
    expect(freak.defined && write(freak.expression)).toBe('|r| reaches h')
  })

  it('the forecast repeats the index of the last year', () => {
    const told = explain(result, 'index', 97)
    if (!told.defined) throw new Error(told.because)
    expect(told.sources).toEqual([{ column: 'index', t: 85 }])
  })
})
