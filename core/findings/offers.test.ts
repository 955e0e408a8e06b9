import { describe, expect, it } from 'vitest'
import { clicksOf } from '../../advice/offers'
import { analyse } from '../analyse'
import { begin } from '../begin'
import { calendarOf } from '../calendar/calendar'
import { changed, type MethodDocument } from '../method'
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
    ...{ start: { year: 2016, season: 1 }, values },
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
      ...{ start: { year: 2016, season: 1 }, values },
    }
    const { findings } = analyse(series, { format: 'elvant-method/1' })
    expect(findings.find(({ code }) => code === 'level-step')!.text).toMatch(
      /it goes (4\.[89]|5\.[0-2])\d* points up and stays/,
    )
  })
})

describe('what is offered', () => {
  it.each([...demo])(
    '%s: every click does what it says, and brings no new caution',
    (_, series) => {
      for (const method of [{ format: 'elvant-method/1' } as const, begin(series).method]) {
        for (const { code, label, stays, brings } of clicksOf(series, method)) {
          expect({ code, label, stays, brings }).toEqual({ code, label, stays: false, brings: [] })
        }
      }
    },
  )
})
