import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import type { MethodDocument } from '../method'
import type { Value } from '../series/series'

/** A made monthly series under a method, and its findings by code. */
function findings(
  value: (t: number) => Value,
  decompose: MethodDocument['decompose'] = {},
  months = 96,
) {
  const result = analyse(
    {
      name: 'Varnish',
      unit: 'litres',
      calendar: calendarOf('monthly'),
      start: { year: 2016, season: 1 },
      values: Array.from({ length: months }, (_, t) => value(t)),
    },
    { format: 'elvant-method/1', decompose },
  )
  return new Map(result.findings.map((finding) => [finding.code, finding]))
}
const noise = (t: number) => Math.sin(t * t * 1.7)
const wave = (t: number, at = 0) => Math.cos((2 * Math.PI * (t - at)) / 12)

describe('findings of a first look', () => {
  it('a trend, with its size in units and as a share', () => {
    const told = findings((t) => 1000 + 5 * t + 100 * wave(t) + noise(t)).get('trend')!
    expect(told.text).toMatch(
      /^The trend rises by 5\.0?\d* litres a month, 0\.4% of the mean level/,
    )
    expect(told.figure).toBeCloseTo(5, 1)
    expect(told.topic).toBe('look')
  })

  it('no trend', () => {
    const told = findings((t) => 1000 + 100 * wave(t) + 5 * noise(t)).get('no-trend')!
    expect(told.text).toMatch(/^No straight trend can be told from chance/)
  })

  it('a swing that grows with the level, as a caution where the method says otherwise', () => {
    const grows = (t: number) => (1000 + 30 * t) * (1 + 0.3 * wave(t)) + noise(t)
    const own = findings(grows, { model: 'multiplicative' }).get('which-model')!
    const contrary = findings(grows, { model: 'additive' }).get('which-model')!
    expect(own.text).toMatch(/^The swing grows with the level: multiplicative fits better/)
    expect([own.severity, contrary.severity]).toEqual(['note', 'caution'])
    expect(contrary.text).toMatch(/The method is additive\.$/)
  })

  it('a swing that stays an amount', () => {
    const told = findings((t) => 1000 + 30 * t + 300 * wave(t) + noise(t)).get('which-model')!
    expect(told.text).toMatch(/^The swing does not grow with the level: additive fits better/)
  })

  it('is silent on models with too few full years', () => {
    expect(findings((t) => 1000 + 100 * wave(t) + noise(t), {}, 36).has('which-model')).toBe(false)
  })

  it('peaks that keep the distance of a year, and peaks that do not', () => {
    const seasonal = findings((t) => 1000 + 100 * wave(t))
    expect(seasonal.get('peaks-seasonal')!.text).toMatch(/12 months apart \(\d gaps\).*seasonal/)
    const other = findings((t) => 1000 + 100 * Math.cos((2 * Math.PI * t) / 17))
    expect(
      [...other.keys()].some((code) => code.startsWith('peaks-') && code !== 'peaks-seasonal'),
    ).toBe(true)
  })
})

describe('findings of the season', () => {
  it('one that can be told from chance, with its test and strength', () => {
    const all = findings((t) => 1000 + 100 * wave(t) + 10 * noise(t))
    expect(all.get('stable-season')!.text).toMatch(/F\(11, \d+\) = [\d,.]+, p < 0\.0001/)
    expect(all.get('strength')!.text).toMatch(/^The season is strong, the trend \w/)
  })

  it('none', () => {
    const all = findings((t) => 1000 + 10 * noise(t))
    expect(all.get('season-negligible')!.severity).toBe('caution')
    expect(all.has('no-stable-season') || all.has('stable-season')).toBe(true)
    expect(all.get('strength')!.text).toMatch(/^The season is (weak|hardly there)/)
  })

  it('one that grows over the years', () => {
    const told = findings((t) => 1000 + (40 + 3 * t) * wave(t) + noise(t)).get('season-moves')!
    expect(told.text).toMatch(/Robust loess lets it change/)
  })

  it('an index that hangs on one year', () => {
    const told = findings((t) => 1000 + 100 * wave(t) + (t === 92 ? 900 : 0), {}, 108)
    expect(told.get('index-unsteady')!.text).toMatch(/^Not to be trusted: .*Sep.* Without the last/)
  })
})

describe('findings of robust loess', () => {
  const loess = { by: 'stl' } as const

  it('name the periods it does not believe, six at the most', () => {
    const freaks = [10, 20, 33, 41, 52, 63, 70, 81]
    const told = findings(
      (t) => 1000 + 100 * wave(t) + noise(t) + (freaks.includes(t) ? 400 : 0),
      loess,
    ).get('distrusted')!
    expect(told.text).toMatch(
      /^The fit gives no weight to (\w{3} \d{4}, ){5}\w{3} \d{4} and \d+ more/,
    )
    expect(told.figure).toBeGreaterThanOrEqual(8)
  })

  it('say how far the season moved, and only when it did', () => {
    const moving = findings((t) => 1000 + 300 * wave(t, t / 24) + noise(t), loess)
    expect(moving.get('season-drifts')!.text).toMatch(/its index goes from [\d.]+ .* to [\d.]+/)
    expect(findings((t) => 1000 + 300 * wave(t) + noise(t), loess).has('season-drifts')).toBe(false)
  })
})

describe('findings of what is left over', () => {
  it('noise is dull', () => {
    const all = findings((t) => 1000 + 100 * wave(t) + 20 * noise(t))
    expect(all.get('leftover-dull')!.severity).toBe('note')
  })

  it('a slow wave, with what to try under this method', () => {
    const slow = (t: number) => 1000 + 100 * wave(t) + 60 * Math.sin(t / 5) + noise(t)
    const told = findings(slow, { by: 'ratio-to-trend' }).get('leftover-waves')!
    expect(told.text).toMatch(/still waves slowly .* Try the ratio to a moving average/)
    const smooth = findings(slow, { by: 'stl' }).get('leftover-waves')!
    expect(smooth.text).toMatch(/Try a shorter trend window/)
  })

  it('a fan, and the other model only where that would mend it', () => {
    const fans = (t: number) => 1000 + 40 * t + (3 + t / 2) * noise(t) * 4 + 100 * wave(t)
    const told = findings(fans, { model: 'additive' }).get('leftover-fans')!
    expect(told.text).toMatch(/fans out: .* Try the multiplicative model/)
  })
})

describe('every finding', () => {
  it('is a sentence with a topic, and points into the series', () => {
    const all = findings((t) => (t === 50 ? null : 1000 + 5 * t + 100 * wave(t) + noise(t)))
    for (const { text, topic, period } of all.values()) {
      expect(text).toMatch(/^["\p{L}\d].*\.$/u)
      expect(['data', 'look', 'season', 'leftover', 'forecast']).toContain(topic)
      if (period) expect(period).toMatch(/^20\d\d-\d\d$/)
    }
    expect(all.get('missing-values')!.period).toBe('2020-03')
  })
})
