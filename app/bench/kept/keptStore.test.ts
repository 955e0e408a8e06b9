import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { calendarOf } from '~~/core/calendar/calendar'
import type { KeptDocument, KeptRow } from '~~/shared/api/kept'
import { useNotices } from '~/shell/noticeStore'
import { useBench } from '../study/benchStore'
import { useKept } from './keptStore'

const VALUES = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
const SERIES = {
  ...{ name: 'Jobs', unit: 'jobs', frequency: 'quarterly', start: '2020-Q1', values: VALUES },
} as const
const STUDY = {
  ...{ id: 'a', seriesId: 'b', vintageId: 'v', source: { file: 'jobs.csv' }, series: SERIES },
  about: { name: 'Jobs', unit: 'jobs', group: '', notes: '' },
  ...{ method: { format: 'elvant-method/1' }, version: 1 },
}

function row(id: string, createdAt: string, more: Partial<KeptRow> = {}): KeptRow {
  const period = (code: string, forecast: number, actual: number | null) =>
    ({ period: code, forecast, actual }) as KeptRow['judged']['periods'][number]
  return {
    ...{ id, seriesId: 'b', studyId: 'a', series: 'Jobs', unit: 'jobs', name: `forecast ${id}` },
    ...{ note: '', version: '0', isAgreed: false, from: '2023-Q3', to: '2023-Q4', createdAt },
    calendar: calendarOf('quarterly'),
    judged: {
      periods: [period('2023-Q3', 90, 95), period('2023-Q4', 50, null)],
    } as unknown as KeptRow['judged'],
    ...more,
  }
}

let rows: readonly KeptRow[]
const requests: string[] = []
function answer(body: unknown, status = 200) {
  return Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) })
}
afterEach(() => vi.unstubAllGlobals())
beforeEach(() => {
  setActivePinia(createPinia())
  requests.length = 0
  rows = [row('old', '2023-01-01'), row('new', '2023-06-01')]
  vi.stubGlobal(
    'Worker',
    class {
      addEventListener() {}
      postMessage() {}
    },
  )
  vi.stubGlobal('fetch', (path: string, { method }: { method: string }) => {
    requests.push(`${method} ${path}`)
    if (path.includes('/kept?')) return answer({ kept: rows })
    if (path.endsWith('/kept') && method === 'POST') return answer({ id: 'fresh' })
    if (path.endsWith('/kept/frozen')) return answer(FROZEN)
    if (path.endsWith('/desk')) return answer({ steps: [], at: null, view: null })
    return answer(STUDY)
  })
})

const FROZEN = {
  ...row('frozen', '2023-01-01'),
  seriesThen: SERIES,
  method: { format: 'elvant-method/1', forecast: { horizon: 2 } },
  forecast: { period: ['2024-Q1', '2024-Q2'], forecast: [1, 2], limits: {}, statistical: null },
  seriesNow: SERIES,
} as unknown as KeptDocument

describe('kept forecasts of the series on the Bench', () => {
  it('are laid on its strips: the newest, or the agreed one, from their own period on', async () => {
    await useBench().open('a')
    const kept = useKept()
    await kept.load()
    expect(kept.laid).toEqual([
      { id: 'new', name: 'forecast new', from: 15, forecast: [90, 50], actual: [95, null] },
    ])
    rows = [row('old', '2023-01-01', { isAgreed: true }), row('new', '2023-06-01')]
    await kept.load()
    expect(kept.laid.map(({ id }) => id)).toEqual(['old'])
    kept.toggle('new')
    kept.toggle('old')
    expect(kept.laid.map(({ id }) => id)).toEqual(['new'])
  })

  it('are those of the server, once all that they are made of is there', async () => {
    const bench = useBench()
    await bench.open('a')
    const kept = useKept()
    await kept.keep('Budget', '')
    expect(requests.at(-2)).toBe('POST /api/v1/series/b/kept')
    expect(kept.shown.has('fresh')).toBe(true)
    // What could not be saved is not kept either.
    vi.stubGlobal('fetch', () =>
      answer({ status: 507, title: '', detail: 'The disk is full.' }, 507),
    )
    await bench.change({ format: 'elvant-method/1', forecast: { horizon: 7 } })
    await expect(kept.keep('Budget', '')).rejects.toThrow('not saved yet. The disk is full.')
  })
})

describe('a kept forecast on the Bench', () => {
  it('has the values and the method of then, and is altered by nothing', async () => {
    const bench = useBench()
    await bench.openKept('frozen')
    expect(bench.state).toBe('ready')
    expect(bench.result!.method.forecast.horizon).toBe(2)
    await bench.changePart({ forecast: { horizon: 9 } })
    await bench.adjust([{ period: '2020-Q1', value: 1, reason: 'x' }])
    expect(bench.result!.method.forecast.horizon).toBe(2)
    expect(bench.content.adjustments).toEqual([])
    expect(useNotices().current?.text).toContain('never altered')
    expect([bench.canUndo, bench.saving]).toEqual([false, 'saved'])
    expect(requests.some((request) => request.startsWith('PUT'))).toBe(false)
    // A study that is opened next can be changed again.
    await bench.open('a')
    await bench.changePart({ forecast: { horizon: 9 } })
    await nextTick()
    expect(bench.result!.method.forecast.horizon).toBe(9)
  })
})
