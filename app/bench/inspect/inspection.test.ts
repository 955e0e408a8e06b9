import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { evaluate } from '~~/core/column/expression'
import { useBench } from '../benchStore'
import { usePins } from '../compare/pinStore'
import { useView } from '../viewStore'
import { MOST_AVERAGES, useInspection } from './inspectionStore'

const values = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
const study = {
  id: 'a',
  seriesId: 'b',
  series: {
    name: 'Jobs',
    unit: 'jobs',
    frequency: 'quarterly',
    start: '2020-Q1',
    values,
    adjustments: [],
  },
  about: { name: 'Jobs', unit: 'jobs', group: '', notes: '' },
  source: { file: 'jobs.csv' },
  method: { format: 'elvant-method/1' },
  version: 1,
  updatedAt: '2026-01-01T00:00:00.000Z',
}

async function opened() {
  const bench = useBench()
  await bench.open('a')
  const view = useView()
  view.reset()
  return { bench, view, inspection: useInspection(), pins: usePins() }
}

beforeEach(() => {
  setActivePinia(createPinia())
  vi.stubGlobal('fetch', () =>
    Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(study) }),
  )
})
afterEach(() => vi.unstubAllGlobals())

const labels = (view: ReturnType<typeof useView>) => view.rows.map(({ label }) => label)

describe('what is looked at beside the method', () => {
  it('stands in the ledger of its own stage, and in no other', async () => {
    const { view } = await opened()
    view.chooseStage('look')
    expect(labels(view)).toEqual(['Sales', 'Rolling mean', 'Rolling st. dev.'])
    view.chooseStage('season')
    expect(labels(view)).not.toContain('Rolling mean')
    view.chooseStage('deseasonalize')
    expect(labels(view).slice(-2)).toEqual(['Growth, sales', 'Growth, deseas.'])
  })

  it('follows its width, and changes no result', async () => {
    const { view, inspection, bench } = await opened()
    view.chooseStage('look')
    const before = bench.result
    inspection.rolling = 3
    const column = view.everyRow.find(({ label }) => label === 'Rolling mean')!.name
    expect(view.valueAt(column, 3)).toBeCloseTo((42 + 68 + 75) / 3, 12)
    expect(view.valueAt(column, 2)).toBeNull()
    expect(bench.result).toBe(before)
    expect(bench.canUndo).toBe(false)
  })

  it('is explained with its sources like any other cell', async () => {
    const { view, inspection } = await opened()
    view.chooseStage('look')
    inspection.takenOut = { by: 'difference', how: 'seasonal' }
    const column = view.everyRow.find(({ label }) => label === 'Difference')!.name
    view.select({ column, t: 5 })
    const told = view.explanation!
    expect(told.defined && evaluate(told.expression)).toBe(46 - 42)
    expect([...view.sources.get('value')!]).toEqual([5, 1])
  })

  it('shows an even average in its two steps, and four of them at the most', async () => {
    const { view, inspection } = await opened()
    view.chooseStage('smooth')
    inspection.compare({ kind: 'centred', order: 4 })
    expect(labels(view).slice(-2)).toEqual(['4-term average', '2×4'])
    for (const order of [3, 5, 7, 9]) inspection.compare({ kind: 'centred', order })
    expect(inspection.averages).toHaveLength(MOST_AVERAGES)
    inspection.compare({ kind: 'centred', order: 9 })
    expect(inspection.averages.map((kind) => 'order' in kind && kind.order)).toEqual([3, 5, 7, 9])
    inspection.drop(inspection.averages[0]!)
    expect(inspection.averages).toHaveLength(3)
  })

  it('says why a column cannot be calculated, and keeps the others', async () => {
    const { view, inspection } = await opened()
    view.chooseStage('look')
    inspection.rolling = 1
    const problems = view.inspected.map(({ problem }) => problem)
    expect(problems[0]).toBeNull()
    expect(problems[1]).toMatch(/order of at least 2/)
    expect(labels(view)).toEqual(['Sales', 'Rolling mean'])
  })

  it('starts anew with another series', async () => {
    const { view, inspection } = await opened()
    inspection.rolling = 7
    inspection.compare({ kind: 'spencer' })
    view.reset()
    expect([inspection.rolling, inspection.averages]).toEqual([4, []])
  })
})

describe('a pinned result', () => {
  it('is a second line under every row once the method is another', async () => {
    const { bench, view, pins } = await opened()
    pins.toggle()
    expect(pins.isPinned).toBe(true)
    expect(labels(view)).not.toContain('pinned')
    const before = bench.result!
    await bench.change({ format: 'elvant-method/1', decompose: { model: 'additive' } })
    expect(pins.isPinned).toBe(false)
    const at = labels(view).indexOf('Index')
    expect(labels(view)[at + 1]).toBe('pinned')
    const { name: column } = view.rows[at + 1]!
    expect(view.valueAt(column, 3)).toBe(before.columns.index[2])
    view.select({ column, t: 3 })
    expect(view.explanation!.title).toBe('Pinned: Index, 2020 Q3')
  })

  it('is known again when the same method is said in other words, and let go', async () => {
    const { bench, pins } = await opened()
    pins.toggle()
    await bench.change({ format: 'elvant-method/1', decompose: { average: 'mean' } })
    expect(pins.isPinned).toBe(true)
    pins.toggle()
    expect(pins.pins).toEqual([])
  })

  it('of a shorter span stands at its own periods', async () => {
    const { bench, view, pins } = await opened()
    await bench.change({
      format: 'elvant-method/1',
      span: { from: '2020-Q3', to: '2023-Q2' },
    })
    pins.toggle()
    const shorter = bench.result!
    bench.undo()
    await Promise.resolve()
    const column = 'pinned index'
    expect(view.valueAt(column, 2)).toBeNull()
    expect(view.valueAt(column, 3)).toBe(shorter.columns.index[0])
  })

  it('four are kept, the newest last', async () => {
    const { bench, pins } = await opened()
    for (const horizon of [1, 2, 3, 4, 5]) {
      await bench.change({ format: 'elvant-method/1', forecast: { horizon } })
      pins.toggle()
    }
    expect(pins.pins.map(({ document }) => document.forecast!.horizon)).toEqual([2, 3, 4, 5])
    pins.remove(pins.pins[0]!.id)
    expect(pins.pins).toHaveLength(3)
    pins.clear()
    expect(pins.ghost).toBeNull()
  })
})
