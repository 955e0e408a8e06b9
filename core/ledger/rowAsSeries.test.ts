import { expect, it } from 'vitest'
import { analyse } from '../analyse'
import { rowAsSeries } from './rowAsSeries'
import { quarters, series } from './testing'

const result = analyse(series(quarters, { quantity: 'flow' }), { format: 'elvant-method/1' })

it('is what the row says, from its first figure to its last', () => {
  const own = rowAsSeries(result, 'trendCycle')
  expect(own).toMatchObject({
    name: 'Centred average of Contract work',
    unit: 'jobs',
    quantity: 'flow',
    start: { year: 2020, season: 3 },
  })
  expect(own.values).toEqual(result.columns.trendCycle.slice(2, -2))
})

it('a factor does not add up over time', () => {
  expect(rowAsSeries(result, 'irregular')).toMatchObject({ unit: 'factor', quantity: 'level' })
})

it.each([
  ['movingAverage', /stands between two periods/],
  ['forecast', /no figures of the past/],
  ['value', /could be a series/],
  ['nothing', /has no row nothing/],
])('%s is refused', (row, because) => {
  expect(() => rowAsSeries(result, row)).toThrow(because)
})
