import { forecastTable, ledgerTable, rounded, type FigureTable } from '../../core/ledger/table'
import { seasonTable } from '../../core/ledger/seasonTable'
import { Refusal } from '../../core/refusal'
import type { Result } from '../../core/result'
import { methodSentence } from '../../core/sentence/sentence'
import { piecesText } from '../../core/word'
import { tableHeading } from '../../handover/tableHeading'
import { tableAsCsv } from '../../handover/tableText'
import { tableSheet } from '../../handover/workbook/tableSheet'
import { writeWorkbook } from '../../handover/workbook/writeWorkbook'
import { today, writeBytes } from '../files'
import { runMethod, type MethodOnSeries } from './runMethod'

const TABLES = {
  ledger: ledgerTable,
  seasons: seasonTable,
  forecast: forecastTable,
} as const satisfies Record<string, (result: Result) => FigureTable>

export interface TableOptions extends MethodOnSeries {
  readonly which: keyof typeof TABLES
  readonly rounded?: boolean
  readonly out: string
}

/** Runs a method on a series of a file and writes one of its tables, as CSV or XLSX by the name of the file. */
export async function table({ which, out, ...options }: TableOptions): Promise<void> {
  const kind = /\.(csv|xlsx)$/i.exec(out)?.[1]!.toLowerCase()
  if (!kind) {
    throw new Refusal(`A table is written as .csv or .xlsx; ${out} is neither.`, '--out')
  }
  const { series, result } = runMethod(options)
  const full = TABLES[which](result)
  const own = {
    ...(options.rounded ? rounded(full) : full),
    heading: tableHeading(result, {
      sentence: piecesText(methodSentence(result.method, series)),
      date: today(),
    }),
  }
  const bytes =
    kind === 'csv'
      ? new TextEncoder().encode(`\uFEFF${tableAsCsv(own)}`)
      : await writeWorkbook([tableSheet(which, own)])
  writeBytes(out, bytes)
}
