import { describe, expect, it } from 'vitest'
import { analyse } from '~~/core/analyse'
import { calendarOf } from '~~/core/calendar/calendar'
import { displayScale } from '~~/core/words/displayScale'
import type { Series } from '~~/core/series/series'
import type { ContestRow } from '~~/core/contest/contest'
import type { MethodDocument } from '~~/core/method'
import type { Result } from '~~/core/result'
import { ordersFor } from '~~/core/smoothing/ordersFor'
import { averageFrom } from '../stages/smooth/averageChoices'
import { decomposeBy, type DecompositionDocument } from '~~/core/decompose/ways'
import {
  boundsOf,
  comparableComponents,
  differencesOf,
  indexShare,
  leftoverSpread,
  robustLeftoverSpread,
  commonAhead,
} from './comparison'
import { bestOf, comparedFigures } from '../compare/figures'
import { comparisonWords } from '../compare/meaning'
import { namesOf } from './names'
import type { PastForecasts } from '../compare/pastForecastStore'
import { comparedPictures, readingAt } from '../compare/pictures'

const quarters = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
const series: Series = {
  name: 'Contract work',
  unit: 'jobs',
  calendar: calendarOf('quarterly'),
  start: { cycle: 2020, season: 1 },
  values: quarters,
}
const FORMAT = { format: 'elvant-method/1' } as const
const run = (decompose: MethodDocument['decompose']) => analyse(series, { ...FORMAT, decompose })
const [additive, multiplicative, loess] = [
  run({ model: 'additive' }),
  run({ model: 'multiplicative' }),
  run({ by: 'stl', seasonalWindow: 7 }),
]

/** By their names, and with nothing known of what they would have forecast. */
function named(results: readonly Result[]) {
  const names = namesOf(results)
  const past: PastForecasts = { row: null, hidden: undefined }
  return results.map((result, i) => ({ name: names[i]!, result, past }))
}

describe('methods on equal scales', () => {
  it('components add up to the sales, whatever the model', () => {
    for (const result of [additive, multiplicative, loess]) {
      const { trendCycle, season, irregular } = comparableComponents(result)
      quarters.forEach((value, i) => {
        if (trendCycle[i] === null) return
        expect(trendCycle[i]! + season[i]! + irregular[i]!).toBeCloseTo(value, 9)
      })
    }
  })

  it('an index is the same share of the level under either model, nearly', () => {
    for (const season of [1, 2, 3, 4]) {
      const [amount, share] = [indexShare(additive, season), indexShare(multiplicative, season)]
      expect(Math.abs(amount! - share!)).toBeLessThan(0.03)
    }
    expect(leftoverSpread(multiplicative)!).toBeLessThan(leftoverSpread(additive)!)
  })

  it('names what differs and nothing else', () => {
    const names = differencesOf([additive, multiplicative]).map(({ what }) => what)
    expect(names).toEqual(['model', 'details'])
    const [by, details] = differencesOf([multiplicative, loess])
    expect(by).toEqual({ what: 'by', words: ['ratio to a 2×4 moving average', 'robust loess'] })
    expect(details!.words[0]).toBe('indices by mean, adjusted to average 1')
    expect(details!.words[1]).toMatch(/^season free to change over 7 years/)
  })

  it('pictures of fit and forecast share a scale and an end', () => {
    const longer = analyse(series, { ...FORMAT, forecast: { horizon: 9 } })
    const pictures = comparedPictures([additive, longer])
    expect(pictures.map(({ title }) => title)).toEqual([
      'Trend-cycle',
      'What the season adds',
      'What is left over',
      'Fit',
      'Forecast and limits',
    ])
    for (const { lines, bounds } of pictures) {
      for (const { values } of lines.flat()) {
        for (const value of values) {
          if (value === null) continue
          expect(value).toBeGreaterThanOrEqual(bounds.low)
          expect(value).toBeLessThanOrEqual(bounds.high)
        }
      }
    }
    const lengths = pictures[4]!.lines.flat().map(({ values }) => values.length)
    expect(new Set(lengths)).toEqual(new Set([8 + 9]))
  })

  it('pictures of methods that look at other spans stand period under period', () => {
    const shorter = analyse(series, { ...FORMAT, span: { from: '2021-Q1', to: '2022-Q4' } })
    const pictures = comparedPictures([additive, shorter])
    const fit = pictures[3]!
    const [own, short] = fit.lines.map((lines) => lines[0]!.values)
    expect(fit.axis).toEqual({ from: 1, to: quarters.length })
    for (const t of shorter.columns.t) expect(short![t - 1]).toBe(own![t - 1])
    expect(short!.filter((value) => value !== null)).toHaveLength(8)
    const last = shorter.columns.t.at(-1)!
    const amount = (value: number) => value.toFixed(0)
    expect(readingAt(fit, fit.lines[1]!, last + 1, amount, 'sales')).toBe('')
    expect(readingAt(pictures[4]!, pictures[4]!.lines[1]!, last + 1, amount, 'sales')).toMatch(
      /^limit \d+, limit \d+, forecast \d+$/,
    )
  })

  it('a single outlier decides the standard deviation and not the robust spread', () => {
    const freak = quarters.map((value, i) => (i === 9 ? value * 2 : value))
    const spoilt = analyse({ ...series, values: freak }, { ...FORMAT, decompose: { by: 'stl' } })
    expect(leftoverSpread(spoilt)!).toBeGreaterThan(5 * robustLeftoverSpread(spoilt)!)
  })

  it('the best figure of a row stands out, unless all read the same', () => {
    const [deviation] = comparedFigures(displayScale(quarters, 'jobs'), [additive, multiplicative])
    expect(bestOf(deviation!, [additive, multiplicative])).toEqual(new Set([multiplicative]))
    expect(bestOf(deviation!, [additive, additive]).size).toBe(0)
  })

  it('says what the figures mean, and which model to take nowhere', () => {
    const scale = displayScale(quarters, 'jobs')
    const words = (results: readonly Result[]) => comparisonWords(named(results), scale)
    expect(words([additive])).toBe('')
    expect(words([additive, multiplicative])).toMatch(
      /^The closest fit is that of multiplicative, off by [\d.]+ jobs on average, that of additive by [\d.]+\. Least is left over by multiplicative: typically [\d.]+ jobs, where additive leaves [\d.]+\. Their forecasts for the next 4 periods differ by [\d.]+% in all\.$/,
    )
    expect(words([additive, additive])).toBe('Their forecasts come to the same sum.')
  })

  it('judges by how forecasts would have done, once all are through', () => {
    const scale = displayScale(quarters, 'jobs')
    const did = (mean: number, tiesWithBest = false) => ({
      hidden: null,
      row: { mean, tiesWithBest, off: { by: 100 * mean, in: 'percent' } } as ContestRow,
    })
    const words = (...past: PastForecasts[]) =>
      comparisonWords(
        named([additive, multiplicative, loess]).map((one, i) => ({ ...one, past: past[i]! })),
        scale,
      )
    const [nothing] = named([additive])
    expect(words(did(0.3), did(0.1), did(0.2, true))).toMatch(
      /^Forecasts by multiplicative would have been nearest, off by 10%, those by additive by 30%; chance does not tell robust loess, multiplicative from it\. /,
    )
    expect(words(did(0.3, true), did(0.1), did(0.2, true))).toContain(
      '; chance alone can make that difference.',
    )
    expect(words(did(0.3), did(0.1), nothing!.past)).not.toContain('would have been')
  })

  it('compares forecasts over the periods that all of them have', () => {
    const scale = displayScale(quarters, 'jobs')
    const endsAt = (to: string, horizon: number) =>
      analyse(series, { ...FORMAT, span: { to }, forecast: { horizon } })
    const [early, late] = [endsAt('2023-Q2', 4), endsAt('2023-Q4', 4)]
    expect(commonAhead([early, late])).toEqual({ from: 17, to: 18 })
    const sums = [early, late].map(({ forecast: { t, forecast } }) =>
      forecast.reduce((sum, value, i) => (t[i]! >= 17 && t[i]! <= 18 ? sum + value : sum), 0),
    )
    const apart = 100 * (Math.max(...sums) / Math.min(...sums) - 1)
    expect(comparisonWords(named([early, late]), scale)).toContain(
      `Their forecasts for the 2 periods that all of them forecast differ by ${apart.toFixed(1)}% in all.`,
    )
    const row = comparedFigures(scale, [early, late]).find(({ name }) => /^forecast/.test(name))!
    expect(row.name).toBe('forecast, the periods that all have, together')
    expect(row.value(early)).toBeCloseTo(sums[0]!, 9)
    const apartAltogether = [endsAt('2022-Q4', 2), late]
    expect(comparisonWords(named(apartAltogether), scale)).toContain('no period in common')
    const names = comparedFigures(scale, apartAltogether).map(({ name }) => name)
    expect(names.filter((name) => /^forecast/.test(name))).toEqual([])
  })

  it('bounds pass over what is undefined', () => {
    expect(boundsOf([[null, 3], [1], []])).toEqual({ low: 1, high: 3 })
    expect(boundsOf([[null]])).toEqual({ low: 0, high: 1 })
  })
})

describe('changing the way of a decomposition', () => {
  it('keeps model and what is left out, and drops what the other way has', () => {
    const exclude = [{ period: '2021-Q3', reason: 'strike' }]
    const averaged = { model: 'additive', average: 'median', adjust: false, exclude } as const
    const smooth = decomposeBy('stl', averaged)
    expect(smooth).toEqual({ by: 'stl', model: 'additive', exclude })
    const wide = { ...smooth, seasonalWindow: 9 } as DecompositionDocument
    expect(decomposeBy('ratio-to-trend', wide)).toEqual({
      by: 'ratio-to-trend',
      model: 'additive',
      exclude,
    })
  })
})

describe('averages as they are written', () => {
  it('reads weights as decimals and fractions', () => {
    const read = averageFrom({ by: 'weights', weights: '-1/4; 0,5 1 0.5 -1/4' })
    expect(read).toEqual({ kind: 'weights', weights: [-0.25, 0.5, 1, 0.5, -0.25] })
  })

  it('an empty field is no number', () => {
    expect(averageFrom({ by: 'order', order: ' ' })).toEqual({ kind: 'centred', order: NaN })
  })

  it('compares orders around the season', () => {
    expect(ordersFor(12)).toEqual([1, 3, 5, 7, 9, 11, 12, 13, 24])
    expect(ordersFor(4)).toEqual([1, 3, 4, 5, 7, 8, 9])
    expect(ordersFor(1)).toEqual([1, 3, 5, 7, 9])
  })
})
