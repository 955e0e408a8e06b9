import { describe, expect, it } from 'vitest'
import { KINDS, makeKind } from '../../advice/kinds'
import { clicksOf } from '../../advice/offers'
import { analyse, mendingOffers, mendingTogether } from '../analyse'
import { begin } from '../begin'
import { calendarOf } from '../calendar/calendar'
import { check } from '../check/check'
import type { Finding } from '../finding'
import { changed, type MethodDocument } from '../method'
import { mends, togetherAt } from '../offers'
import type { Series } from '../series/series'
import { DOCUMENT_CASES, seriesOfCase } from '../../reference/documents/cases'

const demo = new Map(
  DOCUMENT_CASES.map((one) => [one.file, seriesOfCase({ ...one, adjustments: [] })]),
)

describe('an offer that has been taken', () => {
  const values = Array.from({ length: 96 }, (_, t) => {
    const level = 1000 + 6 * Math.min(t, 48)
    return level * (1 + 0.06 * Math.cos((t * Math.PI) / 6)) + 4 * Math.sin(t * t * 1.7)
  })
  const series: Series = {
    ...{ name: 'Varnish', unit: 'litres', calendar: calendarOf('monthly') },
    ...{ start: { cycle: 2016, season: 1 }, values },
  }
  const phases = (method: MethodDocument) =>
    analyse(series, method).findings.find(({ code }) => code === 'trend-phases')!

  it('is gone, and what was said stays', () => {
    const method: MethodDocument = { format: 'elvant-method/1' }
    const { actions, text } = phases(method)
    expect(actions!.map(({ label }) => label)).toEqual([
      expect.stringMatching(/^Break the trend at \w{3} 20\d\d$/),
    ])
    const broken = phases(changed(method, actions![0]!.change!))
    expect(broken.text).toBe(text)
    expect(broken.actions).toBeUndefined()
  })
})

describe('a step of figures that are per cent', () => {
  it('is told in points', () => {
    const values = Array.from(
      { length: 84 },
      (_, t) => (t < 42 ? 20 : 25) + 0.3 * Math.sin(t * t * 1.7),
    )
    const series: Series = {
      ...{ name: 'Share', unit: '%', calendar: calendarOf('monthly') },
      ...{ start: { cycle: 2016, season: 1 }, values },
    }
    const { findings } = analyse(series, { format: 'elvant-method/1' })
    expect(findings.find(({ code }) => code === 'level-step')!.text).toMatch(
      /it goes (4\.[89]|5\.[0-2])\d* points up and stays/,
    )
  })
})

describe('what is offered', () => {
  const FORMAT = { format: 'elvant-method/1' } as const
  const made = (['walk', 'turn', 'step', 'likeLine'] as const).map((kind, i) => {
    const series = makeKind(KINDS[kind], { length: 84, seed: 7 * i, season: 0.3 })
    // Less than half of what it should be: something to replace.
    return [`${kind}, 84 months`, { ...series, values: series.values.with(20, 400) }] as const
  })

  it.each([...demo, ...made])(
    '%s: every click does what it says, brings no new caution and no worse check',
    (_, series) => {
      for (const method of [FORMAT, begin(series).method]) {
        for (const { stays, brings, worsens, ...click } of clicksOf(series, method)) {
          expect({ ...click, stays, brings, worsens }).toEqual({
            ...{ ...click, stays: false, brings: [], worsens: false },
          })
        }
      }
    },
  )

  it('can be taken with the others of its stage where together they mend', () => {
    const own = { series: demo.get('exterior-paint')!, document: FORMAT }
    const mending = [...mendingOffers(own)].filter((offer) => offer !== null)
    // A flood of two months: each is offered to be replaced, left out, and left out and filled.
    expect(togetherAt('look', mending).map(({ action }) => action.label)).toEqual([
      expect.stringMatching(/^Replace it by/),
      expect.stringMatching(/^Replace it by/),
    ])
    expect([...mendingTogether(own, mending)]).toEqual(['look'])
    expect([...mendingTogether(own, mending.slice(0, 1))]).toEqual([])
  })

  it('is tried without a check where the series is too short for one', () => {
    const series = makeKind(KINDS.turn, { length: 30, seed: 5, season: 0.3 })
    expect(check(series, FORMAT)).toBeNull()
    const made = [...mendingOffers({ series, document: FORMAT })].map(
      (offer) => offer?.action.label,
    )
    expect(made).toEqual(['Break the trend at Jul 2001', 'Smooth the deseasonalized series'])
  })

  it('is not made where it would not mend: a refusal, a new caution, a worse check', () => {
    const caution = (code: string): Finding => ({
      ...{ code, severity: 'caution', stage: 'look', text: '', period: null, figure: null },
    })
    const off = (by: number) => ({ by, in: 'percent' }) as const
    const before = { findings: [caution('gap')], off: off(10) }
    const after = (codes: readonly string[], by: number) =>
      mends(caution('gap'), { label: 'Fill it', change: {} }, before, {
        findings: codes.map(caution),
        off: off(by),
      })
    expect(mends(caution('gap'), { label: 'Fill it', change: {} }, before, null)).toBe(false)
    expect(after([], 10.9)).toBe(true)
    expect(after([], 11.1)).toBe(false)
    expect(after(['gap'], 10)).toBe(false)
    expect(after(['step'], 10)).toBe(false)
  })
})
