import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import type { MethodDocument } from '~~/core/method'
import { applied, take, takeBack } from './applying'

const values = Array.from({ length: 48 }, (_, i) => 100 + 10 * (i % 12) + i)
const row = { id: 's', name: 'Glaze', studyId: 'a' }
let stored: { method: MethodDocument; version: number }
afterEach(() => vi.unstubAllGlobals())
beforeEach(() => {
  stored = { method: { format: 'elvant-method/1' }, version: 3 }
  vi.stubGlobal('fetch', (_: string, { method, body }: { method: string; body?: string }) => {
    if (method === 'PUT') {
      const asked = JSON.parse(body!) as typeof stored
      if (asked.version !== stored.version) {
        const detail = 'This study was saved elsewhere.'
        return answer({ status: 409, title: '', type: '', detail }, 409)
      }
      stored = { method: asked.method, version: asked.version + 1 }
    }
    const series = { name: 'Glaze', unit: 'l', frequency: 'monthly', start: '2020-01', values }
    return answer({ id: 'a', seriesId: 's', series, ...stored })
  })
})
function answer(body: unknown, status = 200) {
  return Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) })
}

it('says which words a method would change, takes it, and takes it back', async () => {
  const method: MethodDocument = { format: 'elvant-method/1', forecast: { horizon: 6 } }
  const would = await applied(row, method)
  expect(would).toMatchObject({ change: { from: '12 months', to: '6 months' }, refused: null })
  const taken = await take(would, method)
  expect(stored).toEqual({ method, version: 4 })
  await takeBack(taken)
  expect(stored).toEqual({ method: { format: 'elvant-method/1' }, version: 5 })
  // Who saved in the meantime keeps that.
  await expect(take(would, method)).rejects.toThrow('saved elsewhere')
})

it('leaves alone what has the method already, and what it is refused for', async () => {
  expect((await applied(row, { format: 'elvant-method/1' })).change).toBeNull()
  const method: MethodDocument = { format: 'elvant-method/1', span: { from: '1999-01' } }
  const would = await applied(row, method)
  expect(would.change).toBeNull()
  expect(would.refused).toContain('Jan 1999 lies outside the series')
})
