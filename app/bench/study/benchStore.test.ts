import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Adjustment } from '~~/core/series/series'
import type { MethodDocument } from '~~/core/method'
import type { StudyStep, TrailSave } from '~~/shared/api/desk'
import { useNotices } from '~/shell/noticeStore'
import { useBench } from './benchStore'
import { useSelection } from '../view/selectionStore'
import { useWindow } from '../view/windowStore'

const values = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
const study = (
  version: number,
  method: MethodDocument = { format: 'elvant-method/1' },
  adjustments: readonly Adjustment[] = [],
) => ({
  id: 'a',
  seriesId: 'b',
  series: {
    name: 'Jobs',
    unit: 'jobs',
    frequency: 'quarterly',
    start: '2020-Q1',
    values,
    adjustments,
  },
  about: { name: 'Jobs', unit: 'jobs', group: '', notes: '' },
  vintageId: 'v',
  source: { file: 'jobs.csv' },
  method,
  version,
  updatedAt: '2026-01-01T00:00:00.000Z',
})
const horizon = (periods: number): MethodDocument => ({
  format: 'elvant-method/1',
  forecast: { horizon: periods },
})

function answer(status: number, body: unknown) {
  return Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) })
}

/** A server that keeps one study and refuses stale saves. */
function fakeServer() {
  let stored = study(1)
  let steps: StudyStep[] = []
  let at: number | null = null
  const saves: number[] = []
  const fetch = vi.fn((path: string, request: { method: string; body?: string }) => {
    if (path.endsWith('/desk')) return answer(200, { steps, at, view: null })
    if (request.method === 'GET') return answer(200, stored)
    const { method, adjustments, trail, version } = JSON.parse(request.body!) as {
      method: MethodDocument
      adjustments?: Adjustment[]
      trail: TrailSave
      version: number
    }
    if (version !== stored.version) {
      return answer(409, { status: 409, title: '', type: '', detail: 'stale.', current: stored })
    }
    stored = study(version + 1, method, adjustments ?? stored.series.adjustments)
    const first = trail.steps[0]?.n ?? Infinity
    steps = [...steps.filter(({ n }) => n < first), ...trail.steps]
    at = trail.at
    saves.push(stored.version)
    return answer(200, stored)
  })
  return {
    fetch,
    saves,
    stored: () => stored,
    saveElsewhere: (method: MethodDocument) => (stored = study(stored.version + 1, method)),
  }
}

let server: ReturnType<typeof fakeServer>
beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
  server = fakeServer()
  vi.stubGlobal('fetch', server.fetch)
  // The check runs in a worker of its own; here it never answers.
  vi.stubGlobal(
    'Worker',
    class {
      addEventListener() {}
      postMessage() {}
    },
  )
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

async function opened() {
  const bench = useBench()
  await bench.open('a')
  return bench
}

describe('the study on the Bench', () => {
  it('opens calculated and saved', async () => {
    const bench = await opened()
    expect([bench.state, bench.saving]).toEqual(['ready', 'saved'])
    expect(bench.result?.forecast.t).toEqual([17, 18, 19, 20])
  })

  it('goes back over every change and forward again', async () => {
    const bench = await opened()
    await bench.change(horizon(2))
    await bench.change(horizon(3))
    await bench.change(horizon(3))
    bench.undo()
    expect(bench.result?.forecast.t).toHaveLength(2)
    bench.undo()
    expect([bench.canUndo, bench.canRedo]).toEqual([false, true])
    bench.redo()
    expect(bench.result?.forecast.t).toHaveLength(2)
    await bench.change(horizon(8))
    expect(bench.canRedo).toBe(false)
  })

  it('stopped, takes back what led to the calculation: a change, or an undo', async () => {
    const bench = await opened()
    expect(bench.canStop).toBe(false)
    await bench.change(horizon(2))
    await bench.change(horizon(3))
    await bench.stop()
    expect(bench.method).toEqual(horizon(2))
    await bench.redo()
    await bench.undo()
    await bench.stop()
    expect(bench.method).toEqual(horizon(3))
  })

  it('saves a run of changes once, the last of them', async () => {
    const bench = await opened()
    for (const periods of [2, 3, 5]) await bench.change(horizon(periods))
    expect(bench.saving).toBe('waiting')
    await vi.runAllTimersAsync()
    expect(bench.saving).toBe('saved')
    expect(server.saves).toEqual([2])
    expect(server.stored().method).toEqual(horizon(5))
  })

  it('adjusts a value, saves it beside the original, and undoes it like any change', async () => {
    const bench = useBench()
    await bench.open('a')
    const adjustment = { period: '2020-Q3', value: 70, reason: 'miscounted' }
    await bench.adjust([adjustment])
    expect(bench.result!.columns).toMatchObject({ original: values, value: values.with(2, 70) })
    await vi.advanceTimersByTimeAsync(1000)
    expect(server.stored().series).toMatchObject({ values, adjustments: [adjustment] })
    await bench.adjust([{ ...adjustment, value: null }])
    expect(bench.result!.columns.value[2]).toBeNull()
    bench.undo()
    bench.undo()
    expect(bench.result!.columns.value).toEqual(values)
    await vi.advanceTimersByTimeAsync(1000)
    expect(server.stored().series.adjustments).toEqual([])
  })

  it('goes back over what was changed before it was closed, and on again', async () => {
    const first = await opened()
    for (const periods of [2, 3, 5]) await first.change(horizon(periods))
    void first.undo()
    await vi.advanceTimersByTimeAsync(1000)
    setActivePinia(createPinia())
    const again = await opened()
    expect([again.method, again.canRedo]).toEqual([horizon(3), true])
    void again.undo()
    expect(again.method).toEqual(horizon(2))
    void again.redo()
    void again.redo()
    expect(again.method).toEqual(horizon(5))
  })

  it('takes what another has changed meanwhile as one step more', async () => {
    await (await opened()).change(horizon(2))
    await vi.advanceTimersByTimeAsync(1000)
    server.saveElsewhere(horizon(9))
    setActivePinia(createPinia())
    const again = await opened()
    expect(again.method).toEqual(horizon(9))
    void again.undo()
    expect(again.method).toEqual(horizon(2))
  })

  it('keeps a refused method and says why', async () => {
    const bench = await opened()
    await bench.change({ format: 'elvant-method/1', trend: { last: 2 } })
    expect(bench.result).toBeNull()
    expect(bench.refusal?.because).toContain('at least 3 values')
    bench.undo()
    expect(bench.refusal).toBeNull()
  })

  it('offers both versions when another window has saved', async () => {
    const bench = await opened()
    server.saveElsewhere(horizon(7))
    await bench.change(horizon(2))
    await vi.runAllTimersAsync()
    expect(bench.conflict?.method).toEqual(horizon(7))
    expect(server.stored().method).toEqual(horizon(7))
    await bench.resolveConflict('theirs')
    expect(bench.result?.forecast.t).toHaveLength(7)
    bench.undo()
    expect(bench.method).toEqual(horizon(2))
    await vi.runAllTimersAsync()
    expect(server.stored()).toMatchObject({ version: 3, method: horizon(2) })
  })

  it('does not lose a change while the server is away', async () => {
    const bench = await opened()
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('offline')))
    await bench.change(horizon(2))
    await vi.advanceTimersByTimeAsync(1000)
    expect([bench.saving, bench.saveFailure]).toEqual([
      'failed',
      'The server does not answer. Is it still running?',
    ])
    await vi.advanceTimersByTimeAsync(20_000)
    expect(bench.saving).toBe('failed')
    // When it is back, what was not saved is sent by itself.
    vi.stubGlobal('fetch', server.fetch)
    await vi.advanceTimersByTimeAsync(20_000)
    expect(bench.saving).toBe('saved')
    expect(server.stored().method).toEqual(horizon(2))
  })

  describe('that ended before it was saved', () => {
    const kept = new Map<string, string>()
    /** A change that no server takes, then a new tab some seconds later. */
    async function leftBehind() {
      kept.clear()
      vi.stubGlobal('localStorage', {
        getItem: (key: string) => kept.get(key) ?? null,
        setItem: (key: string, value: string) => void kept.set(key, value),
        removeItem: (key: string) => void kept.delete(key),
        key: (at: number) => [...kept.keys()][at] ?? null,
        get length() {
          return kept.size
        },
      })
      const bench = await opened()
      vi.stubGlobal('fetch', () => Promise.reject(new TypeError('offline')))
      await bench.change(horizon(3))
      await vi.advanceTimersByTimeAsync(1000)
      vi.clearAllTimers()
      await vi.advanceTimersByTimeAsync(5000)
      vi.stubGlobal('fetch', server.fetch)
      setActivePinia(createPinia())
      // Every page has a place of its own: this one is another.
      for (const [key, value] of [...kept]) {
        kept.delete(key)
        kept.set(key.replace(/[^.]*$/, `gone-${kept.size}`), value)
      }
    }

    it('is there again, is saved, and can be undone', async () => {
      await leftBehind()
      const bench = await opened()
      expect(bench.method).toEqual(horizon(3))
      await vi.advanceTimersByTimeAsync(1000)
      expect(bench.saving).toBe('saved')
      expect(server.stored().method).toEqual(horizon(3))
      expect(kept.size).toBe(0)
      bench.undo()
      expect(bench.method).toEqual({ format: 'elvant-method/1' })
    })

    it('does not write over what was saved elsewhere since: one must be chosen', async () => {
      await leftBehind()
      server.saveElsewhere(horizon(9))
      const bench = await opened()
      await vi.advanceTimersByTimeAsync(1000)
      expect(bench.conflict).not.toBeNull()
      expect(bench.touched).toEqual(['the forecast'])
      expect(server.stored().method).toEqual(horizon(9))
      await bench.resolveConflict('mine')
      expect(server.stored().method).toEqual(horizon(3))
    })
  })
})

describe('a model that the values decide', () => {
  it('is said when a value changes it, with undo', async () => {
    const bench = await opened()
    expect(bench.result!.method.decompose.model).toBe('multiplicative')
    await bench.adjust([{ period: bench.result!.columns.period[3]!, value: 0, reason: 'closed' }])
    expect(bench.result!.method.decompose.model).toBe('additive')
    const { current } = useNotices()
    expect(current!.text).toBe('The model is additive now: a value is not above 0 now.')
    await current!.undo!()
    expect(bench.result!.method.decompose.model).toBe('multiplicative')
  })
})

describe('what is on the screen', () => {
  it('keeps the selection on a row and period that exist', async () => {
    const bench = await opened()
    const selection = useSelection()
    selection.reset()
    expect(selection.selected).toEqual({ column: 'value', t: 16 })
    selection.chooseStage('season')
    expect(selection.selected).toEqual({ column: 'seasonalIrregular', t: 14 })
    selection.moveTo({ column: 'index', t: 999 })
    expect(selection.selected).toEqual({ column: 'index', t: 20 })
    selection.moveTo({ column: 'upper:95', t: 20 })
    await bench.change({ format: 'elvant-method/1', forecast: { levels: [50] } })
    await vi.runAllTimersAsync()
    expect(selection.selected).toBeNull()
    expect(selection.explanation).toBeNull()
  })

  it('lets a stage choose the window until the analyst does', async () => {
    await opened()
    const time = useWindow()
    const selection = useSelection()
    time.plotWidth = 270
    selection.reset()
    // The whole series with its forecast is what one sees first.
    expect(time.window).toEqual(time.whole)
    selection.chooseStage('season')
    expect(time.window.to).toBeLessThan(time.whole.to)
    time.setWindow({ from: 2.5, to: 8.5 })
    selection.chooseStage('trend')
    expect(time.window).toEqual({ from: 2.5, to: 8.5 })
  })

  it('shows a stage where it has figures, however few columns fit, and the latest periods when asked', async () => {
    const years = Array.from({ length: 48 }, (_, i) => 60 + i + 20 * Math.sin((i * Math.PI) / 6))
    const own = { frequency: 'monthly', start: '2020-01', values: years }
    const monthly = { ...study(1), series: { ...study(1).series, ...own } }
    vi.stubGlobal('fetch', (path: string) =>
      path.endsWith('/desk') ? server.fetch(path, { method: 'GET' }) : answer(200, monthly),
    )
    await opened()
    const time = useWindow()
    const selection = useSelection()
    time.plotWidth = 6 * time.numbersFrom
    selection.reset()
    selection.chooseStage('season')
    // The last ratio stands at 42: six months are lost to the average.
    expect(time.window).toEqual({ from: 39.5, to: 45.5 })
    time.showRecent()
    expect(time.window).toEqual({ from: 43.5, to: 49.5 })
    // A forecast is read against two years before it, too many for numbers as they are.
    time.showAsAtFirst()
    selection.chooseStage('project')
    expect(time.window).toEqual({ from: 24.5, to: 60.5 })
  })
})
