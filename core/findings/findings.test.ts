import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import type { MethodDocument } from '../method'
import type { Value } from '../series/series'
import { STAGES } from '../stage'

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
      start: { cycle: 2016, season: 1 },
      values: Array.from({ length: months }, (_, t) => value(t)),
    },
    { format: 'elvant-method/1', decompose },
  )
  return new Map(result.findings.map((finding) => [finding.code, finding]))
}
const noise = (t: number) => Math.sin(t * t * 1.7)
const wave = (t: number, at = 0) => Math.cos((2 * Math.PI * (t - at)) / 12)

describe('findings of a first look', () => {
  it('an outlier, by its period and size, with what can be done', () => {
    const told = findings((t) => (1000 + 100 * wave(t) + 5 * noise(t)) * (t === 50 ? 2 : 1)).get(
      'outlier',
    )!
    expect(told.text).toMatch(/^Mar 2020, 2,1\d\d litres: \d+% over what trend and season say/)
    expect(told).toMatchObject({ stage: 'look', severity: 'caution', period: '2020-03' })
    expect(told.actions!.map(({ label }) => label)).toEqual([
      expect.stringMatching(/^Replace it by 1,0\d\d/) as string,
      'Leave it out, and 13 averages with it',
      'Leave it out and fill it',
    ])
    // What is kept says how the value came about.
    expect(told.actions![0]).toMatchObject({
      adjust: [{ reason: expect.stringMatching(/, level [\d.,]+ × season 1\.\d+$/) as string }],
    })
  })

  it('a step of the level, with the periods from it on as what to analyse', () => {
    const told = findings((t) => (1000 + 100 * wave(t) + 5 * noise(t)) * (t < 48 ? 1 : 1.3))
    expect(told.get('level-step')!.text).toMatch(
      /^The level changes at Jan 2020: it goes (29|30|31)% up/,
    )
    expect(told.get('level-step')!.actions).toMatchObject([
      { change: { trend: { form: 'breaks', breaks: [{ period: '2020-01', level: true }] } } },
      { change: { span: { from: '2020-01' } } },
    ])
    expect(told.has('outlier')).toBe(false)
  })

  it('a swing that grows with the level, as a caution with a click where the method says otherwise', () => {
    const grows = (t: number) => (1000 + 30 * t) * (1 + 0.3 * wave(t)) + noise(t)
    const own = findings(grows, { model: 'multiplicative' }).get('which-model')!
    const contrary = findings(grows, { model: 'additive' }).get('which-model')!
    expect(own.text).toMatch(
      /^The swing grows with the level: the multiplicative model leaves \d+%/,
    )
    expect([own.severity, contrary.severity]).toEqual(['note', 'caution'])
    expect(contrary.text).toMatch(/The method is additive\.$/)
    expect(contrary.actions).toMatchObject([{ change: { decompose: { model: 'multiplicative' } } }])
  })

  it('a swing that stays an amount', () => {
    const told = findings((t) => 1000 + 30 * t + 300 * wave(t) + noise(t)).get('which-model')!
    expect(told.text).toMatch(/^The swing does not grow with the level: the additive model leaves/)
  })

  it('is silent on models with too few full years, and without a season', () => {
    expect(findings((t) => 1000 + 100 * wave(t) + noise(t), {}, 36).has('which-model')).toBe(false)
    expect(findings((t) => 1000 + 10 * noise(t)).has('which-model')).toBe(false)
  })

  it('peaks that keep the distance of a year, and peaks that wander', () => {
    const seasonal = findings((t) => 1000 + 100 * wave(t))
    expect(seasonal.get('peaks-seasonal')!.text).toMatch(/12 months apart \(\d gaps\).*seasonal/)
    const wandering = findings((t) => 1000 + 300 * wave(t, 2 * Math.sin(t * 0.7)) + noise(t))
    expect(wandering.get('peaks-wander')?.text ?? 'Peaks stand').toMatch(/^Peaks/)
    const other = findings((t) => 1000 + 100 * Math.cos((2 * Math.PI * t) / 17))
    expect(
      [...other.keys()].some((code) => code.startsWith('peaks-') && code !== 'peaks-seasonal'),
    ).toBe(true)
  })

  it('a minus sign only where minus signs are rare', () => {
    const growth = (t: number) => 4 * Math.sin(t * 1.3) + noise(t)
    expect([...findings(growth, { model: 'additive' }).keys()]).not.toContain('sign-flipped')
  })
})

describe('findings of the trend', () => {
  it('one phase, with its yearly rate', () => {
    const told = findings((t) => 1000 + 5 * t + 100 * wave(t) + noise(t)).get('trend')!
    expect(told.text).toMatch(
      /^The trend rises 4\.\d% a year throughout \(strength of trend 1\.00\)\.$/,
    )
    expect(told.stage).toBe('trend')
  })

  it('none', () => {
    const told = findings((t) => 1000 + 100 * wave(t) + 5 * noise(t)).get('no-trend')!
    expect(told.text).toBe('The trend is level: no rise or fall can be told from chance.')
  })

  it('phases with their dates, and the line through the last as what to try', () => {
    const bends = (t: number) => 1000 + 6 * Math.min(t, 48) + 60 * wave(t) + 4 * noise(t)
    const all = findings(bends)
    const told = all.get('trend-phases')!
    expect(told.text).toMatch(
      /^The trend rises \d\.\d% a year to \w{3} (2019|2020), is level since/,
    )
    expect(told.actions).toMatchObject([{ change: { trend: { form: 'breaks', last: undefined } } }])
    const misfit = all.get('line-does-not-fit')!
    expect(misfit.text).toMatch(/^The straight line does not fit: neighbouring/)
    expect(misfit.text).toMatch(/A smoothed level follows them better/)
    expect(misfit.actions![0]).toMatchObject({ change: { trend: { form: 'smoothed' } } })
  })

  it('one that values swing around is not called wrong', () => {
    let swing = 0
    const swinging = Array.from({ length: 200 }, (_, t) => (swing = 0.7 * swing + 9 * noise(t)))
    const all = findings((t) => 1000 + 5 * t + 60 * wave(t) + swinging[t]!)
    expect(all.has('line-does-not-fit')).toBe(false)
    expect(all.get('swings-around-line')!.text).toMatch(
      /^The values swing around the straight line: neighbouring .* come back to it, as they have so far/,
    )
  })
})

describe('findings of the season', () => {
  it('one that can be told from chance, with its test and strength', () => {
    const all = findings((t) => 1000 + 100 * wave(t) + 10 * noise(t))
    expect(all.get('stable-season')!.text).toMatch(/F\(11, \d+\) = [\d,.]+, p < 0\.0001/)
    expect(all.get('strength')!.text).toMatch(/^The season is strong \(strength from 0 to 1/)
  })

  it('none', () => {
    const all = findings((t) => 1000 + 10 * noise(t))
    expect(all.get('no-stable-season')!.actions).toMatchObject([{ label: 'Do without a season' }])
    for (const code of ['strength', 'season-peak', 'season-negligible', 'stable-season']) {
      expect(all.has(code), code).toBe(false)
    }
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
    const told = all.get('leftover-dull') ?? all.get('leftover-opposite')!
    expect(told.severity).toBe('note')
    expect(all.has('leftover-dull') && all.has('leftover-opposite')).toBe(false)
  })

  it('of an exact series is nothing, and nothing else is said of it', () => {
    const all = findings((t) => 1000 + 5 * t + 100 * wave(t), { model: 'additive' })
    expect(all.get('nothing-left-over')!.text).toMatch(/^Nothing is left over/)
    for (const code of [
      'leftover-dull',
      'strength',
      'index-unsteady',
      'line-does-not-fit',
      'swings-around-line',
    ]) {
      expect(all.has(code), code).toBe(false)
    }
  })

  it('of simple averages under a trend holds part of it', () => {
    const told = findings((t) => 1000 + 10 * t + 100 * wave(t) + noise(t), {
      by: 'simple-averages',
    })
    expect(told.get('indices-hold-trend')!.text).toMatch(/^The indices hold part of the trend/)
    expect(told.has('leftover-waves')).toBe(false)
  })

  it('a slow wave, with what to try under this method', () => {
    const slow = (t: number) => 1000 + 100 * wave(t) + 60 * Math.sin(t / 5) + noise(t)
    const told = findings(slow, { by: 'ratio-to-trend' }).get('leftover-waves')!
    expect(told.text).toMatch(/still waves slowly .* Try the ratio to a moving average/)
    const smooth = findings(slow, { by: 'stl' }).get('leftover-waves')!
    expect(smooth.text).toMatch(/Try a shorter trend window/)
  })

  it('a fan, and the other model only where it is the one to take', () => {
    const noisy = (t: number) => 1000 + 300 * wave(t) + (t < 40 ? 8 : 40) * noise(t)
    const told = findings(noisy, { model: 'additive' }).get('leftover-fans')!
    expect(told.text).toMatch(/^What is left over fans out: .* Look at which years are noisy/)
    const grows = (t: number) => (900 + 30 * t) * (1 + 0.2 * wave(t)) + (5 + t / 3) * noise(t)
    const both = findings(grows, { model: 'additive' })
    expect(both.get('which-model')!.text).toMatch(/the multiplicative model leaves/)
    expect(both.get('leftover-fans')?.text ?? 'The multiplicative model expects that.').toMatch(
      /The multiplicative model expects that\.$/,
    )
  })
})

describe('every finding', () => {
  it('is a sentence with a stage, and points into the series', () => {
    const all = findings((t) => (t === 50 ? null : 1000 + 5 * t + 100 * wave(t) + noise(t)))
    for (const { text, stage, period } of all.values()) {
      expect(text).toMatch(/^["\p{L}\d].*\.$/u)
      expect(STAGES).toContain(stage)
      if (period) expect(period).toMatch(/^20\d\d-\d\d$/)
    }
    expect(all.get('missing-values')!.period).toBe('2020-03')
  })
})
