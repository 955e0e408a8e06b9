import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { calendarOf } from '~~/core/calendar/calendar'
import type { Judged } from '~~/core/kept/judge'
import type { KeptRow } from '~~/shared/api/kept'
import { newsOfKept } from './news'

function row(name: string, seriesId: string, came: number, isOff: boolean): KeptRow {
  const actual = (i: number) => (i < came ? 100 : null)
  const judged = {
    periods: ['2026-01', '2026-02'].map((period, i) => ({ period, actual: actual(i) })),
    came,
    off: came > 0 ? { by: 5, in: 'percent' } : null,
    ...{ within: {}, tracking: null, statistical: null },
    benchmark: { which: 'lastYear', off: null },
    need: isOff ? { why: 'last', side: 'upper', count: 3, of: 3, level: 95 } : null,
  } as unknown as Judged
  return {
    ...{ id: name, name, seriesId, studyId: 's', series: 'Glaze', unit: 'litres', note: '' },
    ...{ version: '0', isAgreed: false, from: '2026-01', to: '2026-02', createdAt: '2026-01-01' },
    ...{ calendar: calendarOf('monthly'), judged },
  }
}

let kept: readonly KeptRow[]
afterEach(() => vi.unstubAllGlobals())
beforeEach(() =>
  vi.stubGlobal('fetch', () =>
    Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve({ kept }) }),
  ),
)

it('tells of one in its own words, of several how many need a new look, and of others nothing', async () => {
  kept = [row('Budget', 'a', 2, false)]
  expect(await newsOfKept(['a'])).toBe('“Budget”: Jan 2026 to Feb 2026: off by 5%.')
  expect(await newsOfKept(['b'])).toBeNull()
  expect(await newsOfKept([])).toBeNull()
  kept = [row('Plan', 'a', 2, true), row('Budget', 'a', 1, false), row('Later', 'a', 0, false)]
  expect(await newsOfKept(['a'])).toBe(
    '2 kept forecasts have been judged, 1 to look at again; the worst, “Plan”: Jan 2026 to Feb 2026: off by 5%.',
  )
})

it('keeps quiet where it cannot be had: what was brought in is there all the same', async () => {
  vi.stubGlobal('fetch', () => Promise.reject(new Error('no network')))
  expect(await newsOfKept(['a'])).toBeNull()
})
