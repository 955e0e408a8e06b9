import { describe, expect, it } from 'vitest'
import { demoCatalogue, PECULIARITIES, type Peculiarity } from '../../demo/catalogue'
import { calendarOf } from '../calendar/calendar'
import { check } from '../check/check'
import { analyse } from '../analyse'
import type { MethodDocument } from '../method'
import type { Series, Value } from '../series/series'
import { byUrgency, USUAL_THRESHOLDS, type Reason } from './attention'
import { endingOf, periodsBehind } from './behind'
import { mean } from '../statistics/average'
import { catalogued, type CataloguePlan } from './catalogued'
import { settledSoon } from '../check/settledSoon'
import { USUAL_CONTEST } from './usualContest'

const PLAN: CataloguePlan = {
  ...{ source: { kind: 'begin' }, origins: 12, thresholds: USUAL_THRESHOLDS },
}
const months = (values: readonly Value[], more: Partial<Series> = {}): Series => ({
  ...{ name: 'Glaze', unit: 'pieces', calendar: calendarOf('monthly'), values },
  start: { cycle: 2016, season: 1 },
  ...more,
})
const season = (t: number) => 1 + 0.3 * Math.sin((2 * Math.PI * t) / 12)
const usual = (t: number) => Math.round((1000 + 5 * t) * season(t) * (1 + 0.02 * Math.sin(t * t)))
const USUAL = Array.from({ length: 120 }, (_, t) => usual(t))

function reasonsOf(values: readonly Value[], plan = PLAN, behind = 0): string[] {
  return catalogued(months(values), plan, behind).row.attention.map(({ text }) => text)
}

describe('a catalogue of articles of which every tenth is peculiar', () => {
  const MEANT: Record<Peculiarity, readonly Reason[]> = {
    'ten-times-too-large': ['mistyped'],
    'level-changed': ['level-step'],
    'sold-no-more': ['stopped'],
    'ends-early': ['ended'],
    'three-far-off': ['outside-limits'],
    'runs-away': ['forecast-change'],
  }

  it('has 95% of those among the exceptions, for what they are, and 5% of the others at the most', () => {
    // All peculiar ones of the 2,000, and every sixth of the others.
    const articles = demoCatalogue(2000).filter(({ peculiarity }, i) => peculiarity || i % 6 === 0)
    const behind = periodsBehind(articles.map(({ series }) => endingOf(series)))
    const rows = articles.map(({ series }, i) => catalogued(series, PLAN, behind[i]).row)
    const count = { peculiar: 0, found: 0, rightly: 0, ordinary: 0, falsely: 0 }
    articles.forEach(({ peculiarity }, i) => {
      const codes = rows[i]!.attention.map(({ code }) => code)
      if (peculiarity === null) {
        count.ordinary++
        if (codes.length > 0) count.falsely++
        return
      }
      count.peculiar++
      if (codes.length > 0) count.found++
      if (MEANT[peculiarity].some((code) => codes.includes(code))) count.rightly++
    })
    expect(count.peculiar).toBe(200)
    expect(count.found / count.peculiar).toBeGreaterThanOrEqual(0.95)
    expect(count.rightly / count.peculiar).toBeGreaterThanOrEqual(0.95)
    expect(count.falsely / count.ordinary).toBeLessThanOrEqual(0.05)
    expect(PECULIARITIES).toHaveLength(Object.keys(MEANT).length)
    // The urgent stand first, and those that need nobody last.
    const sorted = byUrgency(rows)
    expect(sorted[0]!.attention[0]!.code).toBe('mistyped')
    expect(sorted.at(-1)!.attention).toEqual([])
  }, 240_000)
})

describe('a series of a catalogue', () => {
  it('has the method that it begins with, the forecast of that, and the verdict of a check at fewer origins', () => {
    const { row, method, forecast, because } = catalogued(months(USUAL), PLAN)
    const alone = analyse(months(USUAL), method)
    expect(because).toContain('the swing grows with the level')
    expect(forecast!.forecast).toEqual(alone.forecast.forecast)
    expect(forecast!.period[0]).toBe('2026-01')
    const held = check(months(USUAL), {
      ...method,
      check: { rolling: { first: 84, horizon: 12, step: 3 } },
    })!
    expect(row).toMatchObject({
      ...{ off: held.verdict!.method, origins: 12, against: 'better', refused: null },
      ...{ strength: { season: alone.strength.season }, attention: [] },
    })
    const sum = (values: readonly Value[]) => values.reduce<number>((all, one) => all + one!, 0)
    expect(row.ahead!.forecast).toBeCloseTo(sum(alone.forecast.forecast), 6)
    expect(row.ahead!.before).toBeCloseTo(sum(USUAL.slice(-12)), 6)
  })

  it('is refused in words, and stays in the list', () => {
    const method: MethodDocument = {
      format: 'elvant-method/1',
      decompose: { by: 'ratio-to-moving-average', model: 'multiplicative' },
    }
    const given: CataloguePlan = { ...PLAN, source: { kind: 'given', method } }
    const { row, forecast } = catalogued(months(USUAL.with(40, 0)), given)
    expect([row.method, forecast]).toEqual([null, null])
    expect(row.attention[0]!.text).toMatch(/^refused: .*0/)
    expect(row.attention.map(({ code }) => code)).toEqual(['refused', 'mistyped'])
    // Two values are no series to forecast, but one to be told of.
    expect(catalogued(months([1, null]), PLAN).row.attention.length).toBeLessThanOrEqual(1)
  })

  it('is tried over the span of its method, where that is a part of it', () => {
    const method: MethodDocument = {
      ...{ format: 'elvant-method/1', span: { from: '2021-01' } },
      decompose: { by: 'ratio-to-moving-average' },
    }
    const given: CataloguePlan = { ...PLAN, source: { kind: 'given', method } }
    const { row } = catalogued(months(USUAL), given)
    expect(row).toMatchObject({ refused: null, attention: [] })
    expect(row.origins).toBeGreaterThan(0)
  })

  it('takes the nearest of several methods, and says of how many', () => {
    const methods: MethodDocument[] = [
      { format: 'elvant-method/1', forecast: { by: 'benchmark', which: 'mean' } },
      { format: 'elvant-method/1', decompose: { by: 'ratio-to-moving-average' } },
    ]
    const { method, because } = catalogued(months(USUAL), {
      ...PLAN,
      source: { kind: 'contest', methods },
    })
    expect(method).toEqual(methods[1])
    expect(because).toEqual(['the nearest of 2'])
  })
})

describe('what takes long, chosen once', () => {
  const articles = demoCatalogue(2000).filter((_, i) => i % 160 === 0)
  const offOf = (series: Series, document: MethodDocument) => {
    const plan = { rolling: { first: 48, horizon: 12, step: 9 } }
    const { method } = check(series, { ...document, check: plan })!
    return method.pooled.mase!
  }

  it('tries a smoothing about as near as one that is looked for all over at every origin', () => {
    for (const document of USUAL_CONTEST.slice(1, 4).map(({ method }) => method)) {
      const off = articles.map(({ series }) => [
        ...[offOf(series, settledSoon(series, document)), offOf(series, document)],
      ])
      const [soon, whole] = [0, 1].map((i) => mean(off.map((both) => both[i]!))!)
      expect(Math.abs(soon! / whole! - 1)).toBeLessThan(0.03)
    }
  })

  it('leaves alone what has nothing to choose, and keeps the span', () => {
    const [line, damped] = USUAL_CONTEST.map(({ method }) => method)
    const span = { from: '2018-01' }
    const { series } = articles[0]!
    expect(settledSoon(series, line!)).toBe(line)
    const soon = settledSoon(series, { ...damped!, span })
    expect(soon.span).toEqual(span)
    expect(soon.trend).toMatchObject({ form: 'smoothed', smoothing: 'damped' })
    expect(Object.keys(soon.trend!.nearWeights!)).toEqual(['alpha', 'beta', 'phi'])
  })
})

it('the methods of the usual contest can be carried out by months and by quarters', () => {
  const everyThird = Array.from({ length: 60 }, (_, t) => usual(3 * t))
  const quarters = months(everyThird, { calendar: calendarOf('quarterly') })
  for (const series of [months(USUAL), quarters]) {
    const source = { kind: 'contest', methods: USUAL_CONTEST.map(({ method }) => method) } as const
    const names = USUAL_CONTEST.map(({ method }) => analyse(series, method).forecast.by)
    expect(new Set(names).size).toBe(4)
    const { row, because } = catalogued(series, { ...PLAN, source })
    expect(because).toEqual(['the nearest of 6'])
    expect(row.off!.by).toBeLessThan(4)
  }
})

describe('reasons to look at a series', () => {
  it('are none where nothing is out of the way', () => expect(reasonsOf(USUAL)).toEqual([]))

  it.each<[string, readonly Value[], string]>([
    ['a slipped decimal', USUAL.with(79, 10 * USUAL[79]!), 'Aug 2022 typed ten times too large?'],
    ['a minus', USUAL.with(100, -USUAL[100]!), 'May 2024 typed with a minus?'],
    ['an end of sales', [...USUAL.slice(0, 115), 0, 0, 0, 0, 0], 'nothing since Aug 2025'],
    [
      'a lower level',
      USUAL.map((value, t) => (t < 110 ? value : 0.6 * value)),
      'level changed in Mar 2025 (40% down)',
    ],
    [
      'the last three far off',
      USUAL.map((value, t) => (t < 117 ? value : 0.5 * value)),
      'three of the last three actuals outside the limits',
    ],
  ])('%s', (_, values, text) => expect(reasonsOf(values)).toContain(text))

  it('a forecast far over the year before, and one below 0', () => {
    const grows = Array.from({ length: 120 }, (_, t) => usual(t) * (t < 96 ? 1 : 1.05 ** (t - 95)))
    expect(reasonsOf(grows).join()).toMatch(/forecast \d\d% over last year/)
  })

  it('a method that is worse than none', () => {
    const method: MethodDocument = {
      format: 'elvant-method/1',
      decompose: { by: 'none' },
      forecast: { by: 'benchmark', which: 'mean' },
    }
    const plan: CataloguePlan = { ...PLAN, source: { kind: 'given', method } }
    const climbing = Array.from({ length: 120 }, (_, t) => 100 + 20 * t + 3 * Math.sin(t * t))
    expect(reasonsOf(climbing, plan).join()).toMatch(
      /worse than .*: off by [\d.]+%, that by [\d.]+%/,
    )
  })

  it('an end before that of the others', () => {
    const all = [months(USUAL), months(USUAL.slice(0, 118)), months([...USUAL.slice(0, 119), null])]
    const quarters = months(USUAL.slice(0, 40), { calendar: calendarOf('quarterly') })
    expect(periodsBehind([...all, quarters].map(endingOf))).toEqual([0, 2, 1, 0])
    expect(reasonsOf(USUAL.slice(0, 118), PLAN, 2)).toEqual([
      'ends in Oct 2025, 2 months before the others',
    ])
  })
})
