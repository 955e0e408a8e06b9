import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { analyse } from '~~/core/analyse'
import type { MethodDocument } from '~~/core/method'
import type { Series } from '~~/core/series/series'
import type { Steps } from '~~/core/work/steps'
import { ownThreadFor } from '~/workers/testing'
import { usePins } from '../pins/pinStore'
import { useBench } from '../study/benchStore'
import { useStudies } from './studiesStore'

/** Forms of trend whose answers are waited for until they are let go. */
const held = new Set<string>()
/** Those that were worked out. */
const done: string[] = []
const JOBS = {
  *analyse(_: unknown, series: Series, method: MethodDocument): Steps<object> {
    while (held.has(method.trend?.form ?? '')) yield { done: 0, of: 1, words: 'waiting' }
    const result = analyse(series, method)
    done.push(result.method.trend.form)
    return { kind: 'result', result }
  },
}

const values = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
const LINE: MethodDocument = { format: 'elvant-method/1' }
const SMOOTH: MethodDocument = { format: 'elvant-method/1', trend: { form: 'smoothed' } }
const CURVE: MethodDocument = { format: 'elvant-method/1', trend: { form: 'quadratic' } }
const study = (id: string, method: MethodDocument) => ({
  ...{ id, seriesId: 's', vintageId: 'v', source: { file: 'jobs.csv' }, method, version: 1 },
  series: { name: 'Jobs', unit: 'jobs', frequency: 'quarterly', start: '2020-Q1', values },
  about: { name: 'Jobs', unit: 'jobs', group: '', notes: '' },
})

let tabs: { id: string; name: string; method: MethodDocument; opensFirst: boolean }[]
afterEach(() => vi.unstubAllGlobals())
beforeEach(() => {
  done.length = 0
  setActivePinia(createPinia())
  tabs = [
    { id: 'a', name: '', method: LINE, opensFirst: true },
    { id: 'b', name: '', method: SMOOTH, opensFirst: false },
  ]
  vi.stubGlobal('Worker', ownThreadFor(JOBS))
  vi.stubGlobal('fetch', (path: string) => {
    const body = path.endsWith('/desk')
      ? { steps: [], at: null, view: null }
      : path.endsWith('/studies')
        ? { studies: tabs }
        : study(path.slice(-1), path.endsWith('/b') ? SMOOTH : LINE)
    return Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(body) })
  })
})

async function open(id: string) {
  await useBench().open(id)
  await useStudies().load()
  await settled()
}
async function settled() {
  for (let i = 0; i < 5; i++) await nextTick()
}

it('studies are named by what differs, by their own name, or by their place', async () => {
  await open('a')
  const studies = useStudies()
  const titles = () => studies.tabs.map(({ title }) => title)
  expect(titles()[0]).toBe('a straight line')
  expect(titles()[1]).toMatch(/^a smoothed level/)
  // The present one is named as it is on the screen, before it is saved.
  await useBench().change(SMOOTH)
  expect(titles()).toEqual(['study 1', 'study 2'])
  tabs = tabs.map((tab, i) => (i === 1 ? { ...tab, name: 'For the board' } : tab))
  await studies.load()
  expect(titles()).toEqual(['study 1', 'For the board'])
})

it('a study beside is calculated anew with the values that both have, and changes places with the present one', async () => {
  await open('a')
  const bench = useBench()
  const studies = useStudies()
  const pins = usePins()
  expect(pins.ghost).toBeNull()
  studies.lay('b')
  await vi.waitFor(() => expect(pins.ghost?.result.method.trend.form).toBe('smoothed'))
  expect(pins.ghostWord).toBe('beside')
  await bench.adjust([{ period: '2023-Q4', value: 60, reason: 'typed wrong' }])
  await vi.waitFor(() => expect(pins.ghost?.result.columns.value.at(-1)).toBe(60))
  await open('b')
  expect(studies.beside?.id).toBe('a')
  await vi.waitFor(() => expect(pins.ghost?.result.method.trend.form).toBe('linear'))
  studies.lay('a')
  await settled()
  expect(pins.ghost).toBeNull()
})

it('what was begun before is not shown where it comes later', async () => {
  await open('a')
  const studies = useStudies()
  held.add('smoothed')
  studies.lay('b')
  await settled()
  expect(studies.laid).toBeNull()
  tabs = tabs.map((tab) => (tab.id === 'b' ? { ...tab, method: CURVE } : tab))
  await studies.load()
  await vi.waitFor(() => expect(studies.laid?.result.method.trend.form).toBe('quadratic'))
  held.clear()
  await vi.waitFor(() => expect(done).toContain('smoothed'))
  await settled()
  expect(studies.laid!.result.method.trend.form).toBe('quadratic')
})
