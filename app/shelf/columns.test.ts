import { afterEach, describe, expect, it } from 'vitest'
import { forget, remember } from '~/storage/browserStorage'
import type { ShelfRow } from '~~/shared/api/series'
import { chosenColumns, COLUMNS, keepColumns, liesWithin, limitsSay, type Limits } from './columns'

const row = (name: string, worked?: Partial<NonNullable<ShelfRow['worked']>>) =>
  ({ name, ...(worked ? { worked: { attention: [], ...worked } } : {}) }) as unknown as ShelfRow

describe('columns of the shelf', () => {
  afterEach(() => forget('elvant.shelf.columns'))

  it('are the usual ones, then those that were chosen here', () => {
    expect([...chosenColumns()]).toEqual(['group', 'span', 'last', 'change'])
    keepColumns(new Set(['off', 'last']))
    expect([...chosenColumns()]).toEqual(['last', 'off'])
    remember('elvant.shelf.columns', 'name none off')
    expect([...chosenColumns()]).toEqual(['off'])
  })

  it('put whoever has no figure below all that have one', () => {
    const rows = [
      ...[row('a'), row('b', { offBy: 3 }), row('c', { offBy: null }), row('d', { offBy: 1 })],
    ]
    const names = [...rows].sort((a, b) => -COLUMNS.off.compare(a, b)).map(({ name }) => name)
    expect(names).toEqual(['b', 'd', 'a', 'c'])
  })

  it('say a figure and what it is to be read against', () => {
    const said = (key: 'off' | 'ahead' | 'against', worked: Parameters<typeof row>[1]) =>
      COLUMNS[key].figure!(row('a', worked))
    expect(said('off', { offBy: 4.26, benchmarkBy: 6.1 })).toEqual(['4.3%', 'without method 6.1%'])
    expect(said('off', { offBy: null })).toBeNull()
    expect(said('ahead', { ahead: 1200, change: null })).toEqual(['–', '1,200 ahead'])
    const against = { period: '2025-12', actual: 110, forecast: 100, percent: 10, isWithin: false }
    expect(said('against', { against })).toEqual(['+10.0%', '100, outside limits'])
    expect(said('against', { against: null })).toBeNull()
  })

  it('limit what is shown by their figures; what has none lies within no limits', () => {
    const rows = [
      ...[row('a', { offBy: 3 }), row('b', { offBy: 12 }), row('c', { offBy: null }), row('d')],
    ]
    const within = (off: Limits) =>
      rows.filter((one) => liesWithin(one, new Map([['off', off]]))).map(({ name }) => name)
    expect(within({ from: 3, to: null })).toEqual(['a', 'b'])
    expect(within({ from: null, to: 11.9 })).toEqual(['a'])
    expect(within({ from: 4, to: 11 })).toEqual([])
    expect(rows.filter((one) => liesWithin(one, new Map()))).toHaveLength(4)
    expect(limitsSay('off', { from: 20, to: null })).toBe('Off by 20% or more')
    expect(limitsSay('last', { from: 0, to: 10 })).toBe('Last value 0 to 10')
    expect(limitsSay('change', { from: null, to: -5 })).toBe('On the year before −5 or less')
  })
})
