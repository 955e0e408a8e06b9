import { meanOf, operation, plain, type Expression } from '../../core/column/expression'
import type { Total } from '../../core/forecast/totals'
import { decimalsOfRows, forecastColumns } from '../../core/ledger/table'
import { totalsOf } from '../../core/ledger/totalled'
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
    const seasons = ledger.run.calendar.seasons
    const own = sumOf(places, total.from, total.to, isLevel)
    const before = sumOf(places, total.from - seasons, total.to - seasons, isLevel)
    sheet.put(row, 0, { value: total.label, look: 'text' })
    const put = (column: number, figure: Value, arithmetic: Expression | null, digits: number) => {
      if (figure === null || !arithmetic) return
      sheet.put(row, column, { ...places.calculated(figure, arithmetic), decimals: digits })
    }
    put(1, total.total, own, decimals)
    put(2, total.before, before, decimals)
    put(3, total.change === null ? null : 100 * total.change, changeOf(own, before), 1)
    sheet.put(row, 4, { value: partOf(total), look: 'text' })
    row += 1
  }
}

/** Actual values and then the forecast, as one sum, or of a level their mean; null over a gap. */
function sumOf({ ledger }: Places, from: number, to: number, isLevel: boolean): Expression | null {
  const { run } = ledger
  const rowOf = (t: number) => (t > run.lastT ? 'forecast' : 'value')
  for (let t = from; t <= to; t++) if (run.value(rowOf(t), t) === null) return null
  const all = meanOf(to - from + 1, (i) => run.cell(rowOf(from + i), from + i))
  return isLevel || all.kind !== 'average' ? all : { ...all, how: 'sum' }
}

function changeOf(own: Expression | null, before: Expression | null): Expression | null {
  if (!own || !before) return null
  const share = operation(operation(own, '÷', before), '−', plain(1))
  return operation(plain(100), '×', share)
}

function partOf({ from, to, forecast, gap }: Total): string {
  return gap ? `${gap} has no value` : `${forecast} of ${to - from + 1}`
}
