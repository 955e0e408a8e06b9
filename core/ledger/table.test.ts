import { expect, it } from 'vitest'
import { analyse } from '../analyse'
import { besideTable } from '../beside/besideTable'
import { besideColumn } from '../beside/besideColumn'
import { WHOLE } from '../beside/rest'
import { calendarOf } from '../calendar/calendar'
import type { MethodDocument } from '../method'
import type { Series } from '../series/series'
import { forecastTable } from './table'

const QUARTERS = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
const series: Series = {
  ...{ name: 'jobs', unit: 'jobs', calendar: calendarOf('quarterly'), values: QUARTERS },
  start: { year: 2020, season: 1 },
}
const forecastOf = (forecast: MethodDocument['forecast']) =>
  forecastTable(analyse(series, { format: 'elvant-method/1', forecast }))

it.each([
  ['the decomposition', {}],
  ['smoothing', { by: 'smoothing', season: 'multiplicative', error: 'proportional' }],
  ['smoothing, additive', { by: 'smoothing', season: 'additive', error: 'additive' }],
] as const)('the index of a forecast by %s makes it, row by row', (_, forecast) => {
  const { header, rows } = forecastOf({ ...forecast, levels: [80] })
  expect(header).toContain('seasonal index')
  for (const [, , plain, index, whole] of rows as readonly number[][]) {
    const together = 'season' in forecast && forecast.season === 'additive'
    expect(together ? plain! + index! : plain! * index!).toBeCloseTo(whole!, 9)
  }
})

it('the index of a smoothing of logarithms says that it is theirs', () => {
  const { header, rows } = forecastOf({
    ...{ by: 'smoothing', transform: 'ln', season: 'additive', error: 'additive' },
    levels: [80],
  })
  expect(header).toContain('seasonal index (on the scale that is smoothed)')
  for (const [, , plain, index, whole] of rows as readonly number[][]) {
    expect(Math.exp(Math.log(plain!) + index!)).toBeCloseTo(whole!, 9)
  }
})

it('a forecast without a season has no index', () => {
  expect(forecastOf({ by: 'smoothing', season: 'none' }).header).not.toContain('seasonal index')
})

it('rows beside the ledger leave with the values that they were made from', () => {
  const result = analyse(series, { format: 'elvant-method/1' })
  const of = { ...WHOLE, takenOut: { by: 'difference', how: 'seasonal' } } as const
  const { header, rows } = besideTable(result, [besideColumn(result, { kind: 'rest', of })])
  expect(header).toEqual(['period', 't', 'Values (jobs)', 'Difference (seasonal difference; jobs)'])
  expect(rows).toHaveLength(16)
  expect(rows[4]).toEqual(['2021-Q1', 5, 46, 4])
  expect(rows[0]).toEqual(['2020-Q1', 1, 42, null])
})
