import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { WHOLE } from '~~/core/beside/rest'
import { evaluate } from '~~/core/column/kinds/kinds'
import { useBench } from '../study/benchStore'
import { usePins } from '../pins/pinStore'
import { useSelection } from '../view/selectionStore'
import { useLedger } from '../view/ledgerStore'
import { MOST_AVERAGES } from '~~/shared/api/desk'
import { useBeside } from './besideStore'

const values = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
const study = {
  id: 'a',
  seriesId: 'b',
  series: {
    name: 'Jobs',
    unit: 'jobs',
    noun: 'sales',
    frequency: 'quarterly',
    start: '2020-Q1',
    values,
    adjustments: [],
  },
  about: { name: 'Jobs', unit: 'jobs', noun: 'sales', group: '', notes: '' },
  vintageId: 'v',
  source: { file: 'jobs.csv' },
  method: { format: 'elvant-method/1' },
  version: 1,
  updatedAt: '2026-01-01T00:00:00.000Z',
}

async function opened() {
  const bench = useBench()
  await bench.open('a')
  const selection = useSelection()
  selection.reset()
  return { bench, selection, ledger: useLedger(), beside: useBeside(), pins: usePins() }
}

beforeEach(() => {
  setActivePinia(createPinia())
  // The check runs in a worker of its own, which has its own tests; here it never answers.
  vi.stubGlobal(
    'Worker',
    class {
      addEventListener() {}
      postMessage() {}
    },
  )
  vi.stubGlobal('fetch', (path: string) => {
    const answer = path.endsWith('/desk') ? { steps: [], at: null, view: null } : study
    return Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(answer) })
  })
})
afterEach(() => vi.unstubAllGlobals())

const labels = (ledger: ReturnType<typeof useLedger>) => ledger.rows.map(({ label }) => label)

describe('what is looked at beside the method', () => {
  it('stands in the ledger of its own stage, and in no other', async () => {
    const { selection, ledger } = await opened()
    selection.chooseStage('look')
    expect(labels(ledger)).toEqual(['Sales', 'Rolling mean', 'Rolling st. dev.'])
    selection.chooseStage('season')
    expect(labels(ledger)).not.toContain('Rolling mean')
    selection.chooseStage('deseasonalize')
    expect(labels(ledger).slice(-2)).toEqual(['Growth, sales', 'Growth, deseas.'])
  })

  it('follows its width, and changes no result', async () => {
    const { selection, ledger, beside, bench } = await opened()
    selection.chooseStage('look')
    const before = bench.result
    beside.rolling = 3
    const column = ledger.everyRow.find(({ label }) => label === 'Rolling mean')!.name
    expect(ledger.valueAt(column, 3)).toBeCloseTo((42 + 68 + 75) / 3, 12)
    expect(ledger.valueAt(column, 2)).toBeNull()
    expect(bench.result).toBe(before)
    expect(bench.canUndo).toBe(false)
  })

  it('is explained with its sources like any other cell', async () => {
    const { selection, ledger, beside } = await opened()
    selection.chooseStage('look')
    beside.rest = { ...WHOLE, takenOut: { by: 'difference', how: 'seasonal' } }
    const column = ledger.everyRow.find(({ label }) => label === 'Difference')!.name
    selection.select({ column, t: 5 })
    const told = selection.explanation!
    expect(told.defined && evaluate(told.expression)).toBe(46 - 42)
    expect([...selection.sources.get('value')!]).toEqual([5, 1])
  })

  it('shows an even average in its two steps, and four of them at the most', async () => {
    const { selection, ledger, beside } = await opened()
    selection.chooseStage('smooth')
    beside.compare({ kind: 'centred', order: 4 })
    expect(labels(ledger).slice(-2)).toEqual(['4-term average', '2×4'])
    for (const order of [3, 5, 7, 9]) beside.compare({ kind: 'centred', order })
    expect(beside.averages).toHaveLength(MOST_AVERAGES)
    beside.compare({ kind: 'centred', order: 9 })
    expect(beside.averages.map((kind) => 'order' in kind && kind.order)).toEqual([3, 5, 7, 9])
    beside.drop(beside.averages[0]!)
    expect(beside.averages).toHaveLength(3)
  })

  it('says why a column cannot be calculated, and keeps the others', async () => {
    const { selection, ledger, beside } = await opened()
    selection.chooseStage('look')
    beside.rolling = 1
    const problems = ledger.inspected.map(({ problem }) => problem)
    expect(problems[0]).toBeNull()
    expect(problems[1]).toMatch(/order of at least 2/)
    expect(labels(ledger)).toEqual(['Sales', 'Rolling mean'])
  })

  it('starts anew with another series', async () => {
    const { selection, beside } = await opened()
    beside.rolling = 7
    beside.compare({ kind: 'spencer' })
    selection.reset()
    expect([beside.rolling, beside.averages]).toEqual([4, []])
  })
})

describe('the selection', () => {
  it('goes to the nearest period that has a figure, row by row', async () => {
    const { selection, ledger } = await opened()
    ledger.allSteps = true
    selection.select({ column: 'value', t: 1 })
    selection.changeRow(1)
    expect(ledger.valueAt(selection.selected!.column, selection.selected!.t)).not.toBeNull()
    while (selection.selected!.column !== 'trendCycle') selection.changeRow(1)
    expect(selection.selected!.t).toBe(3)
    selection.changeRow(-1)
    expect(ledger.valueAt(selection.selected!.column, selection.selected!.t)).not.toBeNull()
  })

  it('draws a marked stretch out, within the span, and drops it with the next series', async () => {
    const { selection } = await opened()
    selection.select({ column: 'value', t: 14 })
    selection.mark(14, 14)
    selection.moveTo({ column: 'value', t: 20 })
    expect(selection.marked).toEqual({ from: 14, to: 16 })
    selection.moveTo({ column: 'value', t: 11 })
    expect(selection.marked).toEqual({ from: 11, to: 14 })
    selection.reset()
    expect(selection.marked).toBeNull()
  })
})

describe('a pinned result', () => {
  it('is a second line under every row once the method is another', async () => {
    const { bench, selection, ledger, pins } = await opened()
    selection.chooseStage('season')
    pins.toggle()
    expect(pins.isPinned).toBe(true)
    expect(labels(ledger)).not.toContain('pinned')
    const before = bench.result!
    await bench.change({ format: 'elvant-method/1', decompose: { model: 'additive' } })
    expect(pins.isPinned).toBe(false)
    const at = labels(ledger).indexOf('Index')
    expect(labels(ledger)[at + 1]).toBe('pinned')
    const { name: column } = ledger.rows[at + 1]!
    expect(ledger.valueAt(column, 3)).toBe(before.columns.index[2])
    selection.select({ column, t: 3 })
    expect(selection.explanation!.title).toBe('Pinned: Index, 2020 Q3')
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
    const { bench, ledger, pins } = await opened()
    await bench.change({
      format: 'elvant-method/1',
      span: { from: '2020-Q3', to: '2023-Q2' },
    })
    pins.toggle()
    const shorter = bench.result!
    bench.undo()
    await Promise.resolve()
    const column = 'pinned index'
    expect(ledger.valueAt(column, 2)).toBeNull()
    expect(ledger.valueAt(column, 3)).toBe(shorter.columns.index[0])
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
