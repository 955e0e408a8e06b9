import { expect, it } from 'vitest'
import { analyse } from '../analyse'
import { besideColumn } from '../beside/besideColumn'
import { rowAsSeries, rowNamed } from './rowAsSeries'
import { quarters, series } from './testing'

const result = analyse(series(quarters, { quantity: 'flow' }), { format: 'elvant-method/1' })

it('is what the row says, from its first figure to its last', () => {
  const own = rowAsSeries(result, rowNamed(result, 'trendCycle'))
  expect(own).toMatchObject({
    name: 'Centred average of Contract work',
    unit: 'jobs',
    quantity: 'flow',
    start: { cycle: 2020, season: 3 },
  })
  expect(own.values).toEqual(result.columns.trendCycle.slice(2, -2))
})

it('a factor does not add up over time', () => {
  expect(rowAsSeries(result, rowNamed(result, 'irregular'))).toMatchObject({
    unit: 'factor',
    quantity: 'level',
  })
})

it.each([
  ['movingAverage', /stands between two periods/],
  ['forecast', /no figures of the past/],
  ['value', /could be a series/],
  ['nothing', /has no row nothing/],
])('%s is refused', (row, because) => {
  expect(() => rowAsSeries(result, rowNamed(result, row))).toThrow(because)
})

it('a row beside the method can be one too', () => {
  const by = { kind: 'centred', order: 3 } as const
  const own = rowAsSeries(result, besideColumn(result, { kind: 'average', by }))
  expect(own).toMatchObject({ unit: 'jobs', start: { cycle: 2020, season: 2 } })
  expect(own.values[0]).toBeCloseTo((quarters[0]! + quarters[1]! + quarters[2]!) / 3, 10)
  const growth = besideColumn(result, { kind: 'growth', rate: 'yearOnYear', on: 'value' })
  expect(rowAsSeries(result, growth)).toMatchObject({ unit: '%', quantity: 'level' })
})
