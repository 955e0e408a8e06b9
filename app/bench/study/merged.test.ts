import { describe, expect, it } from 'vitest'
import { merged } from './merged'

const about = {
  name: 'Primer',
  unit: 'litres',
  noun: '',
  quantity: 'flow' as const,
  group: '',
  notes: '',
}
const base = {
  method: { format: 'elvant-method/1' as const, forecast: { horizon: 12 } },
  adjustments: [],
  about,
  vintageId: '0b0e5c1c-2f0f-4b7e-9a55-0a7c8f3b1d11',
}

describe('two copies of a study', () => {
  it('of which each changed something else are put together', () => {
    const mine = { ...base, method: { ...base.method, forecast: { horizon: 24 } } }
    const theirs = { ...base, about: { ...about, notes: 'Flood in June.' } }
    expect(merged(base, mine, theirs)).toEqual({
      content: { ...mine, about: theirs.about },
      touched: [],
      takenOver: ['the notes'],
    })
  })

  it('of which both changed the same name it, and keep what is one’s own', () => {
    const mine = { ...base, method: { ...base.method, forecast: { horizon: 24 } } }
    const theirs = {
      ...base,
      method: { ...base.method, forecast: { horizon: 36 } },
      about: { ...about, unit: 'cans' },
    }
    const both = merged(base, mine, theirs)
    expect(both.touched).toEqual(['the forecast'])
    expect(both.content.method).toEqual(mine.method)
    expect(both.content.about.unit).toBe('cans')
  })

  it('that are the same now touch nowhere', () => {
    const same = { ...base, about: { ...about, notes: 'Flood.' } }
    expect(merged(base, same, { ...same })).toMatchObject({ touched: [], takenOver: [] })
  })

  it('take back what was taken back', () => {
    const { format } = base.method
    const theirs = { ...base, method: { format } }
    expect(
      merged(base, { ...base, about: { ...about, group: 'Wall' } }, theirs).content.method,
    ).toEqual({
      format,
    })
  })
})
