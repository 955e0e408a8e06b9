import type { Expression } from '../../core/column/expression'
import type { Total } from '../../core/forecast/totals'
import { decimalsOfRows, forecastColumns } from '../../core/ledger/table'
import { arithmeticOfTotal, totalsOf } from '../../core/ledger/totalled'
import type { Value } from '../../core/series/series'
import type { Places } from './places'
import { SheetDraft, type Sheet } from './sheet'

export const FORECAST = 'Forecast'

/** The table to hand on, and what years and quarters come to. */
export function forecastSheet(places: Places): Sheet {
  const { result, ledger } = places
  const sheet = new SheetDraft()
  const decimals = decimalsOfRows(places.result)
  const columns = forecastColumns(result)
  sheet.line(0, ['period', ...columns.map(({ heading }) => heading)], 'heading')
  result.forecast.t.forEach((t, i) => {
    sheet.put(1 + i, 0, { value: ledger.run.label(t), look: 'text' })
    columns.forEach(({ column }, j) => {
      const value = column.ahead?.[i] ?? null
      const formula = places.cells.cell({ column: column.name, t })
      if (value === null || formula === null) return
      sheet.put(1 + i, 1 + j, { value, formula, look: 'formula', decimals: decimals(column) })
    })
  })
  writeTotals(places, sheet, 3 + result.forecast.t.length)
  return sheet.done(FORECAST, { rows: 1, columns: 1 }, [18, ...columns.map(() => 24)])
}

function writeTotals(places: Places, sheet: SheetDraft, top: number): void {
  const { result, ledger } = places
  const { series } = result
  const totals = totalsOf(result)
  if (totals.length === 0) return
  const isLevel = series.quantity === 'level'
  const value = ledger.find('value')!
  const decimals = decimalsOfRows(places.result)(value)
  const what = isLevel ? 'mean' : 'total'
  sheet.line(top, [`${isLevel ? 'Means' : 'Totals'}, ${series.unit}`], 'title')
  sheet.line(
    top + 1,
    ['', what, 'a year before', 'change, %', 'periods that are forecast'],
    'heading',
  )
  let row = top + 2
  for (const total of totals.flatMap(({ rows }) => rows)) {
    const { own, before, change } = arithmeticOfTotal(ledger, total, isLevel)
    sheet.put(row, 0, { value: total.label, look: 'text' })
    const put = (column: number, figure: Value, arithmetic: Expression | null, digits: number) => {
      if (figure === null || !arithmetic) return
      sheet.put(row, column, { ...places.calculated(figure, arithmetic), decimals: digits })
    }
    put(1, total.total, own, decimals)
    put(2, total.before, before, decimals)
    put(3, total.change === null ? null : 100 * total.change, change, 1)
    sheet.put(row, 4, { value: partOf(total), look: 'text' })
    row += 1
  }
}

function partOf({ from, to, forecast, gap }: Total): string {
  return gap ? `${gap} has no value` : `${forecast} of ${to - from + 1}`
}
