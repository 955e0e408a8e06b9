import { expect, it } from 'vitest'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import type { MethodDocument } from '../method'
import type { Series } from '../series/series'

/** Eight years that rise and then stay. */
const turning: Series = {
  ...{ name: 'Varnish', unit: 'litres', calendar: calendarOf('monthly') },
  start: { cycle: 2016, season: 1 },
  values: Array.from({ length: 96 }, (_, t) => {
    const level = 1000 + 6 * Math.min(t, 48)
    return level * (1 + 0.06 * Math.cos((t * Math.PI) / 6)) + 4 * Math.sin(t * t * 1.7)
  }),
}

it.each([
  ['the decomposition', {}, true],
  ['a regression', { by: 'regression' }, true],
  ['smoothing', { by: 'smoothing' }, false],
  ['last year repeated', { by: 'benchmark', which: 'lastYear' }, false],
] as const)(
  'by %s: turns are told, and a break is offered where the forecast has use for it',
  (_, forecast, offers) => {
    const document = { format: 'elvant-method/1', forecast } as MethodDocument
    const phases = analyse(turning, document).findings.find(({ code }) => code === 'trend-phases')!
    expect(phases.text).toMatch(/^The trend rises .* to .*, and is level since|^The trend rises/)
    expect(phases.actions !== undefined).toBe(offers)
  },
)
