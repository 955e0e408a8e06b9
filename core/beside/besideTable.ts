import type { Column } from '../column/column'
import { inBrackets, type FigureTable } from '../ledger/table'
import { ledgerOf } from '../ledger/ledger'
import type { Looked, Result } from '../result'

/**
 * What is looked at beside the ledger stood on end, one line a period: with the values that it was made from.
 *
 * @param columns those beside, each over the analysed span or over the forecast
 */
export function besideTable(shown: Looked | Result, columns: readonly Column[]): FigureTable {
  const { run, find } = ledgerOf(shown)
  const steps = [find('value')!, ...columns]
  const ahead = 'forecast' in shown ? shown.forecast : null
  const isAhead = columns.some((column) => column.ahead !== null)
  return {
    header: [
      'period',
      't',
      ...steps.map(({ label, means, unit }) => inBrackets(label, means, unit)),
    ],
    rows: [
      ...shown.columns.period.map((period, i) => [
        period,
        run.firstT + i,
        ...steps.map(({ actual }) => actual?.[i] ?? null),
      ]),
      ...(ahead && isAhead ? ahead.period : []).map((period, i) => [
        period,
        ahead!.t[i]!,
        ...steps.map((column) => column.ahead?.[i] ?? null),
      ]),
    ],
  }
}
