import { describe, expect, it } from 'vitest'
import { analyse, previewOf } from '../../analyse'
import { calendarOf } from '../../calendar/calendar'
import { changed, type MethodDocument } from '../../method'
import { Refusal } from '../../refusal'
import { methodSentence } from '../../sentence/sentence'
import { piecesText } from '../../word'
import type { Series } from '../../series/series'
import { check } from '../../check/check'
import { roll, checkTask } from '../../check/rolling'
import type { SmoothingDocument } from './options'

const series: Series = {
  name: 'Varnish',
  unit: 'litres',
  calendar: calendarOf('quarterly'),
  start: { cycle: 2012, season: 1 },
  values: Array.from(
    { length: 48 },
    (_, t) =>
      (300 + (t < 30 ? 6 * t : 180 - 4 * (t - 30))) *
      [0.8, 1.1, 1.25, 0.85][t % 4]! *
      (1 + 0.02 * Math.sin(t * 2.4)),
  ),
}
const document = (forecast: Omit<SmoothingDocument, 'by'> = {}): MethodDocument => ({
  format: 'elvant-method/1',
  forecast: { by: 'smoothing', ...forecast },
})
const run = (forecast: Omit<SmoothingDocument, 'by'> = {}) => {
  const { forecast: ahead, ...result } = analyse(series, document(forecast))
  if (ahead.by !== 'smoothing') throw new Error('Another way forecast.')
  return { ...result, ahead }
}

describe('smoothing as a way of forecasting', () => {
  it('takes by itself a damped trend, the season of the model, and chooses the weights', () => {
    const { method, ahead } = run()
    expect(method.forecast).toMatchObject({
      ...{ trend: 'damped', season: 'multiplicative', error: 'proportional' },
      ...{ weights: {}, initial: 'chosen', seed: 1 },
    })
    expect(Object.keys(ahead.weights)).toEqual(['alpha', 'beta', 'gamma', 'phi'])
    expect(piecesText(methodSentence(method, series))).toContain(
      'by smoothing, with a damped trend, a multiplicative season, errors in proportion, weights chosen, starting where chosen, values as they are, with',
    )
  })

  it('keeps a weight that is fixed, chooses the others, and lets it go again', () => {
    const fixed = run({ weights: { alpha: 0.9 } })
    expect(fixed.ahead.weights.alpha).toBe(0.9)
    expect(fixed.ahead.criteria.criterion).toBeGreaterThan(run().ahead.criteria.criterion)
    const both = changed(document({ weights: { alpha: 0.9 } }), {
      forecast: { weights: { gamma: 0.1 } },
    })
    expect(both.forecast).toMatchObject({ weights: { alpha: 0.9, gamma: 0.1 } })
    const free = changed(both, { forecast: { weights: { alpha: undefined } } })
    expect(free.forecast).toMatchObject({ weights: { gamma: 0.1 } })
  })

  it('of logarithms is smoothing of the logarithms, brought back', () => {
    const { ahead, method } = run({ transform: 'ln', season: 'additive', error: 'additive' })
    expect(method.forecast).toMatchObject({ season: 'additive', backTransform: 'median' })
    const logs = { ...series, values: series.values.map((value) => Math.log(value!)) }
    const plain = analyse(
      logs,
      document({ trend: 'damped', season: 'additive', error: 'additive' }),
    ).forecast
    ahead.forecast.forEach((value, i) => {
      expect(Math.log(value)).toBeCloseTo(plain.forecast[i]!, 9)
      expect(Math.log(ahead.limits[80]!.upper[i]!)).toBeCloseTo(plain.limits[80]!.upper[i]!, 9)
    })
    const mean = run({ transform: 'ln', backTransform: 'mean' }).ahead
    const s = ahead.interval.s!
    expect(mean.forecast[0]! / ahead.forecast[0]!).toBeCloseTo(Math.exp((s * s) / 2), 9)
    expect(run({ transform: 1 }).ahead.forecast[3]).toBeCloseTo(
      run({ season: 'additive' }).ahead.forecast[3]!,
      6,
    )
  })

  it('chooses a power, and refuses one that has nothing to work on', () => {
    const { ahead } = run({ transform: 'chosen', levels: [80] })
    expect(ahead.transform!.chosen!.blocks).toBe(12)
    expect(() => run({ backTransform: 'mean' })).toThrow(/belongs to values that are transformed/)
    const withZero = { ...series, values: series.values.with(5, 0) }
    expect(() => analyse(withZero, document({ transform: 'ln' }))).toThrow(
      /needs every value above 0; that of .*2013.* is 0/,
    )
  })

  it('by selection is checked in the form that was chosen at the first origin, and it is said', () => {
    const open = document({ trend: 'chosen', error: 'chosen' })
    const task = checkTask(series, open)!
    const first = { ...series, values: series.values.slice(0, task.origins[0]) }
    const chosen = analyse(first, open).forecast
    if (chosen.by !== 'smoothing') throw new Error()
    expect(task.document.forecast).toMatchObject(chosen.form)
    expect(task.isSettled).toBe(true)
    expect(checkTask(series, document())!.isSettled).toBe(false)
    const { findings } = check(series, open)!
    expect(findings.map(({ code }) => code)).toContain('form-chosen-once')
  })

  it('says how sharply weights are chosen given what is fixed, and where that would have been best', () => {
    const [free, fixed] = [run(), run({ weights: { alpha: 0.9 } })]
    const optima = (own: typeof free) =>
      Object.fromEntries(own.weightSections!.map(({ name, optimum }) => [name, optimum]))
    expect(optima(free)).toEqual(free.ahead.weights)
    expect(optima(fixed)).toEqual({ ...fixed.ahead.weights, alpha: free.ahead.weights.alpha })
    const sectionOf = (own: typeof free, wanted: string) =>
      own.weightSections!.find(({ name }) => name === wanted)
    expect(sectionOf(fixed, 'alpha')).toEqual(sectionOf(free, 'alpha'))
    expect(sectionOf(fixed, 'gamma')!.above).not.toEqual(sectionOf(free, 'gamma')!.above)
  })

  it('shows what other weights would make of it, starting where it starts', () => {
    const result = analyse(series, document())
    if (result.forecast.by !== 'smoothing') throw new Error()
    const { weights, initial } = result.forecast
    const same = previewOf(result, series, document(), weights)!
    expect(same.forecast.forecast).toEqual(result.forecast.forecast)
    const moved = previewOf(result, series, document(), { ...weights, alpha: 0.01 })!
    expect(moved.forecast).toMatchObject({ initial, weights: { alpha: 0.01 } })
    expect(moved.forecast.forecast).not.toEqual(result.forecast.forecast)
    expect(moved.findings).toBe(result.findings)
  })

  it('chooses the form where it is asked to, with the whole table', () => {
    const { ahead } = run({ trend: 'chosen', season: 'chosen', error: 'chosen' })
    expect(ahead.table).toHaveLength(24)
    expect(ahead.form.season).not.toBe('none')
    expect(run({ trend: 'chosen' }).ahead.table).toHaveLength(4)
  })

  it('has limits by formula, or simulated and the same again with the seed', () => {
    const formula = run({ season: 'additive', error: 'additive' }).ahead
    expect(formula.factors).not.toBeNull()
    const [narrow, wide] = [formula.limits[80]!, formula.limits[95]!]
    expect(wide.upper[0]!).toBeGreaterThan(narrow.upper[0]!)
    const simulated = run().ahead
    expect(simulated.factors).toBeNull()
    expect(run().ahead.limits).toEqual(simulated.limits)
    expect(run({ seed: 2 }).ahead.limits).not.toEqual(simulated.limits)
  })

  it('says what weights at their bounds mean', () => {
    const { ahead, findings } = run({ trend: 'additive' })
    const told = findings.filter(({ code }) => code === 'weight-at-bound')
    expect(told).toHaveLength(ahead.atBound.length)
    const growth = run({ trend: 'multiplicative', horizon: 12 })
    expect(growth.findings.map(({ code }) => code)).toContain('growth-runs-away')
  })

  it('is checked like any other, everything chosen anew', () => {
    const { tries, passedOver } = roll(checkTask(series, document())!)
    expect(passedOver).toEqual([])
    expect(tries.length).toBeGreaterThan(20)
  })

  it.each([
    ['forecast.weights.phi', { trend: 'additive', weights: { phi: 0.9 } }],
    ['forecast.initial', { trend: 'chosen', initial: { level: 100 } }],
    ['forecast.initial.season', { trend: 'none', initial: { level: 100, season: [1, 1] } }],
    ['forecast.initial.trend', { season: 'none', initial: { level: 100 } }],
  ] as const)('is refused at %s', (where, forecast) => {
    try {
      run(forecast)
    } catch (error) {
      expect((error as Refusal).where).toBe(where)
      return
    }
    throw new Error('It was not refused.')
  })

  it('names the period of a value that cannot be multiplied', () => {
    const below = { ...series, values: series.values.with(5, -3) }
    expect(() => analyse(below, document({ season: 'multiplicative' }))).toThrow('2013 Q2')
  })
})
