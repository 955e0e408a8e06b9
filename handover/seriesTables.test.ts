import fc from 'fast-check'
import { unzipSync, strFromU8 } from 'fflate'
import { describe, expect, it } from 'vitest'
import { calendarOf } from '../core/calendar/calendar'
import type { Series, Value } from '../core/series/series'
import { readFile } from '../intake/readFile'
import { dataPackage } from './dataPackage'
import { adjustmentTable, seriesTables } from './seriesTables'
import { tableAsCsv } from './tableText'

const monthly = (name: string, month: number, values: readonly Value[]): Series => ({
  name,
  unit: 'litres',
  calendar: calendarOf('monthly'),
  start: { cycle: 2021, season: month },
  values,
})
const adjusted: Series = {
  ...monthly('B', 2, [3, 40]),
  adjustments: [{ period: '2021-03', value: 4, reason: 'typed' }],
}

describe('series side by side', () => {
  it('that lie too far apart for any file are refused before a table is made', () => {
    const far = { ...monthly('Z', 1, [1]), start: { cycle: 2_000_000, season: 1 } }
    expect(() => seriesTables([monthly('A', 1, [1]), far])).toThrow(
      /a table of 23,975,749 rows and 3 columns/,
    )
  })

  it('stand on one axis, each where it begins, with what came in beside what is used', () => {
    const quarterly = { ...monthly('C', 1, [5]), calendar: calendarOf('quarterly') }
    const [first, second] = seriesTables([quarterly, monthly('A', 1, [1, null]), adjusted])
    expect(first).toEqual({
      name: 'monthly',
      header: ['period', 'A (litres)', 'B (litres)', 'B, as it came in (litres)'],
      rows: [
        ['2021-01', 1, null, null],
        ['2021-02', null, 3, 3],
        ['2021-03', null, 4, 40],
      ],
    })
    expect(second).toMatchObject({ name: 'quarterly', rows: [['2021-Q1', 5]] })
    expect(adjustmentTable([adjusted]).rows).toEqual([['B', '2021-03', 40, 4, 'typed']])
  })

  it('are read back equal from CSV and from a data package', () => {
    const names = fc
      .oneof(
        fc.string({ minLength: 1, maxLength: 20 }),
        fc.constantFrom(' (white)', ' (litres)', ' in €', ', tins', ' [x]', ' []'),
      )
      .map((text) => `n${text.trimEnd()}`)
    const units = fc.constantFrom('', 'litres', 'Kolli', 'W', 'thousand €', 'm³ (dry)', 'in')
    const values = fc
      .array(fc.option(fc.double({ noNaN: true, min: -1e12, max: 1e12 }), { nil: null }), {
        minLength: 2,
        maxLength: 30,
      })
      // −0 is 0 to a spreadsheet; a series begins and ends with a value.
      .map((list) => [1, ...list.map((value) => (value === null ? null : value + 0)), 2])
    fc.assert(
      fc.property(
        names,
        units,
        values,
        fc.integer({ min: 1, max: 12 }),
        (name, unit, list, month) => {
          fc.pre(!/[\r\n\0]/.test(name))
          const own = { ...monthly(name, month, list), unit }
          for (const bytes of [
            new TextEncoder().encode(tableAsCsv(seriesTables([own])[0]!)),
            dataPackage([{ series: own, group: '', notes: '' }]),
          ]) {
            const reading = readFile(bytes)
            if (reading.outcome !== 'ok') throw new Error(JSON.stringify(reading))
            expect(reading.series.map(({ series }) => series)).toEqual([own])
          }
        },
      ),
      { numRuns: 200 },
    )
  })
})

describe('a data package', () => {
  it('says what every column is, and carries names and adjustments', () => {
    const parts = unzipSync(dataPackage([{ series: adjusted, group: 'G', notes: 'N' }]))
    expect(Object.keys(parts).sort()).toEqual([
      'data/adjustments.csv',
      'data/monthly.csv',
      'datapackage.json',
    ])
    const descriptor = JSON.parse(strFromU8(parts['datapackage.json']!)) as {
      resources: { path: string; schema: { fields: unknown[] } }[]
      series: unknown[]
    }
    expect(descriptor.resources[0]).toMatchObject({
      path: 'data/monthly.csv',
      schema: {
        fields: [
          { name: 'period', type: 'string' },
          { name: 'B (litres)', type: 'number' },
          { name: 'B, as it came in (litres)', type: 'number' },
        ],
      },
    })
    expect(descriptor.series).toEqual([
      {
        ...{ name: 'B', unit: 'litres', frequency: 'monthly', seasons: 12, start: '2021-02' },
        ...{ periods: 2, group: 'G', notes: 'N' },
        adjustments: [{ period: '2021-03', value: 4, reason: 'typed' }],
      },
    ])
  })
})
