import { addUp } from '../../core/addingUp/addUp'
import { LEVELS_APART, levelsOf } from '../../core/addingUp/nodes'
import type { Series } from '../../core/series/series'
import { sumsTable } from '../../handover/sumsTable'
import { tableAsCsv } from '../../handover/tableText'
import { methodSchema } from '../../shared/methodSchema'
import { parseDocument } from '../../shared/parseDocument'
import { readJson, writeBytes } from '../files'
import { printJson } from '../output'
import { chooseAll } from './chooseSeries'

export interface SumsOptions {
  readonly data: string
  readonly answer?: readonly string[]
  readonly method?: string
  readonly table?: string
}

/** Adds the series of a file up and prints their forecasts and those of their sums, made to agree. */
export function sums({ data, answer, method, table }: SumsOptions): void {
  const document = method === undefined ? undefined : parseDocument(methodSchema, readJson(method))
  const added = addUp(
    chooseAll(data, [], answer ?? []).map((series) => ({
      ...grouped(series),
      ...(document ? { method: document } : {}),
    })),
  )
  if (table !== undefined) {
    writeBytes(table, new TextEncoder().encode(tableAsCsv(sumsTable(added))))
  }
  printJson(added)
}

/** A file has no groups but those in its names. @example `Exteriors / Wall / Satin`: Satin in Exteriors / Wall */
function grouped(series: Series): { readonly series: Series; readonly group: string } {
  const levels = levelsOf(series.name)
  const name = levels.at(-1) ?? series.name
  return { series: { ...series, name }, group: levels.slice(0, -1).join(LEVELS_APART) }
}
