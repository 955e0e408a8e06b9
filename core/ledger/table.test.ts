import { expect, it } from 'vitest'
import { analyse } from '../analyse'
import { besideColumn } from '../beside/besideColumn'
import { WHOLE } from '../beside/rest'
import { calendarOf } from '../calendar/calendar'
import type { MethodDocument } from '../method'
import type { Series } from '../series/series'
import { columnValues, ledgerOf } from './ledger'
import { seasonTable } from './seasonTable'
import { forecastTable, headingOfRow, ledgerTable, rounded, rowsTable } from './table'

const QUARTERS = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
const series: Series = {
  ...{ name: 'jobs', unit: 'jobs', calendar: calendarOf('quarterly'), values: QUARTERS },
  start: { cycle: 2020, season: 1 },
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
  for (const [, , plain, index, whole] of rows.slice(0, 4) as unknown as number[][]) {
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
  for (const [, , plain, index, whole] of rows.slice(0, 4) as unknown as number[][]) {
    expect(Math.exp(Math.log(plain!) + index!)).toBeCloseTo(whole!, 9)
  }
})

it('a forecast without a season has no index', () => {
  expect(forecastOf({ by: 'smoothing', season: 'none' }).header).not.toContain('seasonal index')
})

it('what years and quarters come to stands below the forecast', () => {
  const { header, rows } = forecastOf({ horizon: 4, levels: [80] })
  const [, total] = [rows.slice(0, 4), rows[4]!]
  const at = header.indexOf('forecast (jobs)')
  const sum = rows.slice(0, 4).reduce((all, row) => all + (row[at] as number), 0)
  expect(total[0]).toBe('total 2024')
  expect(total[at]).toBeCloseTo(sum, 9)
  expect(total.slice(-2)).toEqual([55 + 86 + 95 + 48, 100 * (sum / 284 - 1)])
})

it('rows beside the ledger stand beside those of the method', () => {
  const result = analyse(series, { format: 'elvant-method/1' })
  const ledger = ledgerOf(result)
  const of = { ...WHOLE, takenOut: { by: 'difference', how: 'seasonal' } } as const
  const rest = besideColumn(result, { kind: 'rest', of })
  const { header, rows } = rowsTable(
    result,
    [ledger.find('value')!, rest].map((column) => ({
      heading: headingOfRow(column, column.means),
      column,
      values: columnValues(ledger, column),
    })),
  )
  expect(header.slice(4)).toEqual(['Values (jobs)', 'Difference (seasonal difference; jobs)'])
  expect(rows[4]).toEqual(['2021-Q1', 5, 1, 'actual', 46, 4])
  expect(rows[0]).toEqual(['2020-Q1', 1, 1, 'actual', 42, null])
  expect(rows.at(-1)).toEqual([...rows.at(-1)!.slice(0, 3), 'forecast', null, null])
})

it('figures can be rounded as they are shown', () => {
  const full = ledgerTable(analyse(series, { format: 'elvant-method/1' }))
  const index = full.header.indexOf('Index (factor)')
  expect(String(full.rows[0]![index]).length).toBeGreaterThan(10)
  expect(rounded(full).rows[0]![index]).toBe(Number((full.rows[0]![index] as number).toFixed(3)))
})

it('the season grid has a year a line and the indices below', () => {
  const result = analyse(series, { format: 'elvant-method/1' })
  const { header, rows } = seasonTable(result)
  expect(header).toEqual(['Ratio (factor)', 'Q1', 'Q2', 'Q3', 'Q4'])
  expect(rows.map(([year]) => year)).toEqual(['2020', '2021', '2022', '2023', 'index (factor)'])
  expect(rows[0]!.slice(1, 3)).toEqual([null, null])
  expect(rows.at(-1)!.slice(1)).toEqual(result.seasons.map((season) => season.index))
})
