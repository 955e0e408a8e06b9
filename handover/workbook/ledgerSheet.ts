import { axisOf } from '../../core/calendar/axis'
import type { Progress } from '../../core/work/steps'
import { decimalsOfRows } from '../../core/ledger/table'
import { OWN_WORKBOOK } from '../../intake/ownWorkbook'
import { LEDGER, LEDGER_HEAD, LEDGER_LEAD } from './ledgerPlaces'
import type { Places } from './places'
import { SheetDraft, type Sheet } from './sheet'

/** The steps of the calculation, a column each, and the periods, one a row, forecast ones last. */
export function* ledgerSheet(places: Places): Generator<Progress, Sheet, void> {
  const { run, columns } = places.ledger
  const { firstT, lastT, endT } = run
  const { codeAt } = axisOf(run)
  const sheet = new SheetDraft()
  const decimals = decimalsOfRows(places.result)
  sheet.line(0, [...OWN_WORKBOOK.head, ...columns.map(({ label }) => label)], 'heading')
  const units = columns.map((column) =>
    [column.unit, ...(column.offset === 0 ? [] : [`stands at t + ${column.offset}`])]
      .filter((said) => said !== '')
      .join('; '),
  )
  sheet.line(1, [OWN_WORKBOOK.units, '', ...units], 'heading')
  for (let t = firstT; t <= endT; t++) {
    const isForecast = t > lastT
    const row = places.cells.rowOf(t)
    const value = codeAt(t)
    sheet.put(row, 0, { value, look: 'text', isForecast })
    sheet.put(row, 1, { value: t, look: 'text', isForecast })
  }
  for (const [i, column] of columns.entries()) {
    const own = decimals(column)
    for (let t = firstT; t <= endT; t++) {
      const isForecast = t > lastT
      const cell = places.cellOf(column, t)
      if (!cell) {
        if (isForecast) {
          const nothing = { value: null, look: 'text', isForecast } as const
          sheet.put(places.cells.rowOf(t), LEDGER_LEAD + i, nothing)
        }
        continue
      }
      // On its own sheet an address needs no name of it.
      const formula = cell.formula?.replaceAll(`${LEDGER}!`, '')
      sheet.put(places.cells.rowOf(t), LEDGER_LEAD + i, {
        ...cell,
        ...(formula === undefined ? {} : { formula }),
        ...{ decimals: own, isForecast },
      })
    }
    yield { done: i + 1, of: columns.length, words: 'columns written' }
  }
  const widths = columns.map(({ label }, i) =>
    Math.min(24, Math.max(11, label.length, units[i]!.length) + 1),
  )
  return sheet.done(LEDGER, { rows: LEDGER_HEAD, columns: LEDGER_LEAD }, [10, 6, ...widths])
}
