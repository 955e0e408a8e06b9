import type { Row } from '../view/ledgerStore'
import { seasonTable } from '~~/core/ledger/seasonTable'
import {
  forecastTable,
  headingOfRow,
  ledgerTable,
  rowsTable,
  type FigureTable,
} from '~~/core/ledger/table'
import { isResult, ledgerOf } from '~~/core/ledger/ledger'
import type { Looked, Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'

/** A table that can be taken from the Bench; it is made when it is taken. */
export interface TableToTake {
  /** Of the file, and of the sheet in it. */
  readonly name: string
  /** In a list of choices. */
  readonly label: string
  make(): FigureTable
}

/** What the ledger shows. */
export interface Shown {
  /** `Season` */
  readonly stage: string
  readonly rows: readonly Row[]
  readonly figures: ReadonlyMap<string, readonly Value[]>
}

/** Every table of what is on the Bench: of a method that is refused the values and what was put beside them. */
export function tablesOf(result: Looked | Result, { stage, rows, figures }: Shown): TableToTake[] {
  const shown: TableToTake = {
    name: `ledger at ${stage}`,
    label: `What the ledger shows now: ${rows.length} ${rows.length === 1 ? 'row' : 'rows'} at ${stage}`,
    make: () =>
      rowsTable(
        result,
        rows.map((row) => ({
          heading: headingOfShown(row, ledgerOf(result).find(row.name) !== undefined),
          column: row,
          values: figures.get(row.name) ?? [],
        })),
      ),
  }
  if (!isResult(result)) return [shown]
  const hasSeasons = result.series.seasons > 1
  return [
    shown,
    { name: 'ledger', label: 'All steps of the ledger', make: () => ledgerTable(result) },
    ...(hasSeasons
      ? [{ name: 'seasons', label: 'The season grid', make: () => seasonTable(result) }]
      : []),
    {
      name: 'forecast',
      label: 'The forecast, with limits and totals',
      make: () => forecastTable(result),
    },
  ]
}

/** Rows that are not of the method are told apart by what they are made of, pinned ones by their row as well. */
function headingOfShown(row: Row, isOfMethod: boolean): string {
  if (row.pinned) return headingOfRow(row.pinned, row.label)
  return isOfMethod ? headingOfRow(row) : headingOfRow(row, row.means)
}
