import { describe, expect, it } from 'vitest'
import { calculate } from '../calculate'
import { calendarOf } from '../calendar/calendar'
import type { MethodDocument } from '../method'
import { Refusal } from '../refusal'
import type { Series } from '../series/series'

const long = (seasons: number): Series => ({
  name: 'Long',
  unit: '',
  calendar: seasons === 12 ? calendarOf('monthly') : calendarOf('seasons', { seasons }),
  start: { cycle: 100, season: 1 },
  values: Array.from(
    { length: 20_000 },
    (_, t) => 1000 + t / 10 + 50 * Math.sin((2 * Math.PI * t) / seasons) + ((t * 7919) % 97),
  ),
})

describe('work that cannot end in reasonable time', () => {
  it.each<[string, number, Partial<MethodDocument>, RegExp]>([
    [
      'loess windows over all of a long series',
      12,
      { decompose: { by: 'stl', trendWindow: 15_001, lowPassWindow: 15_001 } },
      /^Windows of .* over 20,000 periods.*Take smaller windows/,
    ],
    [
      'a regression on a thousand seasons',
      1000,
      { forecast: { by: 'regression' } },
      /^A regression of 20000 values on 1000 columns/,
    ],
    [
      'every form of smoothing',
      12,
      { forecast: { by: 'smoothing', trend: 'chosen', season: 'chosen', error: 'chosen' } },
      /^Smoothing 20000 periods of 12 seasons in 24 forms/,
    ],
  ])('is refused before it begins: %s', (_, seasons, method, words) => {
    const started = performance.now()
    const document = { format: 'elvant-method/1', ...method } as MethodDocument
    let because = ''
    try {
      calculate(long(seasons), document)
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      because = error.because
    }
    expect(because).toMatch(words)
    expect(performance.now() - started).toBeLessThan(5000)
  })

  it('what the same series allows is still calculated', () => {
    const document = { format: 'elvant-method/1', decompose: { by: 'stl', robust: false } } as const
    expect(calculate(long(12), document).columns.trendCycle).toHaveLength(20_000)
  })
})
