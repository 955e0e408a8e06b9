import { describe, expect, it } from 'vitest'
import { analyse } from '../../analyse'
import { calculate } from '../../calculate'
import { calendarOf } from '../../calendar/calendar'
import { contest } from '../../contest/contest'
import type { MethodDocument } from '../../method'
import { Refusal } from '../../refusal'
import { methodSentence } from '../../sentence/sentence'
import { piecesText } from '../../word'
import type { Series } from '../../series/series'
import { methodSchema } from '../../../shared/methodSchema'
import type { MemberDocument } from '../member'

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
const FORMAT = { format: 'elvant-method/1' } as const
const line: MemberDocument = { trend: { form: 'linear' } }
const repeat: MemberDocument = { forecast: { by: 'benchmark', which: 'lastYear' } }
const last: MemberDocument = { forecast: { by: 'benchmark', which: 'lastValue' } }
const combine = (
  of: readonly MemberDocument[],
  more: Readonly<Record<string, unknown>> = {},
): MethodDocument => ({ ...FORMAT, forecast: { by: 'combination', of, ...more } }) as MethodDocument
const alone = (member: MemberDocument) =>
  calculate(series, { ...FORMAT, ...member } as MethodDocument).ahead.forecast
const because = (document: MethodDocument) => {
  try {
    analyse(series, document)
  } catch (error) {
    if (error instanceof Refusal) return `${error.where}: ${error.because}`
    throw error
  }
  return null
}

describe('a combination', () => {
  it('is the mean, or the median, of what its methods say by themselves', () => {
    const all = [line, repeat, last].map(alone)
    const { forecast } = analyse(series, combine([line, repeat, last], { horizon: 4 }))
    forecast.forecast.forEach((value, i) => {
      expect(value).toBeCloseTo((all[0]![i]! + all[1]![i]! + all[2]![i]!) / 3, 9)
    })
    const median = analyse(series, combine([line, repeat, last], { average: 'median' })).forecast
    median.forecast.forEach((value, i) => {
      expect(value).toBe(all.map((one) => one[i]!).sort((a, b) => a - b)[1])
    })
  })

  it('has limits from past errors alone, and counts what its methods estimate', () => {
    const result = analyse(series, combine([line, repeat]))
    expect(result.method.forecast.limits).toBe('past-errors')
    expect(result.forecast.pastErrors!.origins).toBeGreaterThan(20)
    expect(result.forecast.limits['80']!.lower[0]).toBeLessThan(result.forecast.forecast[0]!)
    expect(calculate(series, combine([line, repeat])).estimated).toBe(2 + 3 + 0)
    const short = { ...series, values: series.values.slice(0, 12) }
    const { forecast, findings } = analyse(short, combine([line, repeat]))
    expect(forecast.limits['80']!.lower[0]).toBeNull()
    expect(findings.map(({ code }) => code)).toContain('no-limits')
  })

  it('says itself in the sentence, and by itself follows the latest level in two ways', () => {
    const text = piecesText(methodSentence(analyse(series, combine([line, repeat])).method, series))
    expect(text).toContain(
      'by combination, the mean of 2 methods, with 80% and 95% limits from past errors.',
    )
    const usual = analyse(series, {
      ...FORMAT,
      decompose: { by: 'stl' },
      forecast: { by: 'combination' },
    })
    expect(usual.method.forecast).toMatchObject({
      of: [
        { decompose: { by: 'stl' }, trend: { form: 'smoothed' } },
        { decompose: { by: 'stl' }, forecast: { by: 'smoothing' } },
      ],
    })
  })

  it('as it was run is a method document that says the same', () => {
    const first = analyse(series, combine([line, repeat]))
    const again = methodSchema.parse(JSON.parse(JSON.stringify(first.method)))
    expect(analyse(series, again).forecast.forecast).toEqual(first.forecast.forecast)
  })

  it('refuses what it cannot be, each with its path', () => {
    expect(because(combine([line, { forecast: { by: 'combination' } }]))).toMatch(
      /^forecast\.of\.1\.forecast\.by: A combination cannot be part of another/,
    )
    expect(because(combine([line, { trend: { smoothing: 'damped' } }]))).toMatch(
      /^forecast\.of\.1\.trend\.smoothing: /,
    )
    expect(because(combine([line, repeat], { limits: 'model' }))).toMatch(/^forecast\.limits: /)
    expect(because(combine([line, { forecast: { horizon: 3 } }]))).toMatch(
      /^forecast\.of\.1\.forecast\.horizon: horizon is that of the combination/,
    )
    const refused = [
      combine([line]),
      combine([line, { forecast: { by: 'benchmark', weights: {} } }]),
      combine([line, { decompose: { by: 'stl', outer: 'x' } } as never]),
    ].map((document) => methodSchema.safeParse(document))
    expect(refused.map(({ success }) => success)).toEqual([false, false, false])
    expect(refused[1]!.error!.issues[0]!.path.slice(0, 3)).toEqual(['forecast', 'of', 1])
  })
})

describe('a contest', () => {
  it('has the mean of its first two as one row more, as it would check itself', () => {
    const { rows } = contest(series, FORMAT)
    const together = rows.find(({ method }) => method.forecast?.by === 'combination')!
    const [first, second] = rows.filter((row) => row !== together)
    expect(together.name).toContain('(1)')
    expect(together.method.forecast).toMatchObject({
      of: [first!, second!].map(({ method }) => ({ decompose: method.decompose })),
    })
    const { check } = analyse(series, { ...together.method, check: {} })
    expect(check!.verdict!.method.by).toBeCloseTo(together.off!.by, 9)
    expect(together.coverage['80']).toBeCloseTo(check!.coverage[0]!.inUse.pooled.share!, 9)
  })
})
