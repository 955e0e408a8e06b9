import { describe, expect, it } from 'vitest'
import { analyse } from '../core/analyse'
import { calendarOf } from '../core/calendar/calendar'
import { forecastTable, ledgerTable } from '../core/ledger/table'
import { readXlsx } from '../intake/containers/xlsx'
import { readFile } from '../intake/readFile'
import { tableHeading } from './tableHeading'
import { tableAsCsv, tableAsTabs } from './tableText'
import { tableSheet } from './workbook/tableSheet'
import { writeWorkbook } from './workbook/writeWorkbook'

describe('tables as text', () => {
  const table = {
    header: ['period', '=cmd()'],
    rows: [
      ['@x', -5.5],
      ['+a', null],
      ['-b', 0.1 + 0.2],
    ],
  }

  it('make formulas harmless and leave negative numbers alone', () => {
    expect(tableAsCsv(table)).toBe(
      'period,"\'=cmd()"\r\n"\'@x",-5.5\r\n"\'+a",\r\n"\'-b",0.30000000000000004\r\n',
    )
  })

  it('have a decimal comma where that is wanted, and semicolons between', () => {
    expect(tableAsCsv(table, 'comma')).toBe(
      'period;"\'=cmd()"\r\n"\'@x";-5,5\r\n"\'+a";\r\n"\'-b";0,30000000000000004\r\n',
    )
    expect(tableAsTabs({ header: ['x'], rows: [[-1e-7]] }, 'comma')).toBe('x\n-1e-7')
  })

  it('are read back as they were, a leading apostrophe included', () => {
    for (const name of ["'=a", "''+b", '=c', "'d", "'", '-5 e', "it's"]) {
      const csv = tableAsCsv({
        header: ['period', name],
        rows: [
          ['2021-01', 1],
          ['2021-02', 2],
        ],
      })
      const reading = readFile(new TextEncoder().encode(csv))
      if (reading.outcome !== 'ok') throw new Error(name)
      expect(reading.series[0]!.series.name).toBe(name)
    }
  })

  it('cannot become formulas for a program that cuts elsewhere, or that takes full-width signs', () => {
    const csv = tableAsCsv({ header: ['period', 'a;=1+1'], rows: [['＝1+1', 'b\t=2']] })
    expect(csv).toBe('period,"a;=1+1"\r\n"\'＝1+1","b\t=2"\r\n')
  })

  it('paste cell by cell', () => {
    expect(tableAsTabs(table).split('\n')[1]).toBe('"\'@x"\t-5.5')
  })

  it('keep names with commas, quotes and line breaks in their cell', () => {
    const csv = tableAsCsv({ header: ['a,"b"\nc'], rows: [] })
    expect(csv).toBe('"a,""b""\nc"\r\n')
  })
})

describe('a table with a heading', () => {
  const series = {
    name: 'Sales',
    unit: 'litres',
    calendar: calendarOf('monthly'),
    start: { cycle: 2020, season: 4 },
    values: Array.from({ length: 48 }, (_, i) => 100 + Math.sin(i) * 17 + i / 3),
  }
  const result = analyse(series, { format: 'elvant-method/1', check: {} })
  const heading = tableHeading(result, { sentence: 'Sales of all 48 months.', date: '1 Jan 2026' })
  const table = { ...forecastTable(result), heading }

  it('says what it is of, how it was made and how such forecasts did', () => {
    const [name, sentence, verdict, date, empty, header] = tableAsCsv(table).split('\r\n')
    expect([name, sentence, date, empty]).toEqual([
      'Sales (litres)',
      'Sales of all 48 months.',
      '1 Jan 2026',
      '',
    ])
    expect(verdict).toMatch(/^"?Over \d+ tr/)
    expect(header).toMatch(/^period,t,/)
  })

  it('is the same in a workbook', async () => {
    const [sheet] = readXlsx(await writeWorkbook([tableSheet('Forecast', table)]))
    expect(sheet!.rows[0]!.cells[0]).toBe('Sales (litres)')
    const header = sheet!.rows.findIndex(({ cells }) => cells[0] === 'period')
    expect(sheet!.rows[header + 1]!.cells).toEqual(
      table.rows[0]!.map((cell) => cell ?? '').slice(0, -2),
    )
  })
})

describe('the ledger as CSV', () => {
  it('holds every value in full: its sales read back equal', () => {
    const values = Array.from({ length: 30 }, (_, i) => 100 + Math.sin(i) * 17 + i / 3)
    const series = {
      name: 'Sales',
      unit: 'litres',
      calendar: calendarOf('monthly'),
      start: { cycle: 2020, season: 4 },
      values,
    }
    const result = analyse(series, { format: 'elvant-method/1' })
    const { header, rows } = ledgerTable(result)
    const actual = rows.filter((row) => row[3] === 'actual')
    const sales = header.indexOf('Sales (litres)')
    const csv = tableAsCsv({
      header: [header[0]!, header[sales]!],
      rows: actual.map((row) => [row[0]!, row[sales]!]),
    })
    const reading = readFile(new TextEncoder().encode(csv))
    if (reading.outcome !== 'ok') throw new Error('refused')
    expect(reading.series[0]!.series).toEqual(series)
  })
})
