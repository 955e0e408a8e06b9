import { analyse } from '../../core/analyse'
import { ledgerTable } from '../../core/ledger/table'
import { Refusal } from '../../core/refusal'
import type { Series } from '../../core/series/series'
import { tableAsCsv } from '../../handover/tableText'
import { methodSchema } from '../../shared/methodSchema'
import { documentOf } from '../../shared/resultDocument'
import { parseDocument } from '../../shared/parseDocument'
import { seriesDocumentSchema, seriesFromDocument } from '../../shared/seriesSchema'
import { readJson } from '../files'
import { print, printJson } from '../output'
import { chooseSeries } from './chooseSeries'

interface RunOptions {
  readonly method: string
  readonly data?: string
  readonly series?: string
  readonly values?: string
  readonly table?: boolean
  readonly answer?: readonly string[]
}

/** Runs a method document on a series of a file and prints the result or its ledger. */
export function run(options: RunOptions): void {
  const method = parseDocument(methodSchema, readJson(options.method))
  const result = analyse(readSeries(options), method)
  if (options.table) print(tableAsCsv(ledgerTable(result)))
  else printJson(documentOf(result))
}

function readSeries({ data, values, series, answer }: RunOptions): Series {
  if ((data === undefined) === (values === undefined)) {
    throw new Refusal('Give the series either by --data or by --values.', 'arguments')
  }
  if (values !== undefined) {
    return seriesFromDocument(parseDocument(seriesDocumentSchema, readJson(values)))
  }
  return chooseSeries(data!, series, answer ?? [])
}
