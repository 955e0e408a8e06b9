import { ledgerTable } from '../../core/ledger/table'
import { tableAsCsv } from '../../handover/tableText'
import { documentOf } from '../../shared/resultDocument'
import { print, printJson } from '../output'
import { runMethod, type MethodOnSeries } from './runMethod'

interface RunOptions extends MethodOnSeries {
  readonly table?: boolean
}

/** Runs a method document on a series of a file and prints the result or its ledger. */
export function run(options: RunOptions): void {
  const { result } = runMethod(options)
  if (options.table) print(tableAsCsv(ledgerTable(result)))
  else printJson(documentOf(result))
}
