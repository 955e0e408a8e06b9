import { candidate } from '../../core/contest/candidates'
import { contest } from '../../core/contest/contest'
import { outcomeWords } from '../../core/contest/words'
import type { MethodDocument } from '../../core/method'
import { methodSchema } from '../../shared/methodSchema'
import { parseDocument } from '../../shared/parseDocument'
import { readJson } from '../files'
import { printJson } from '../output'
import { chooseSeries } from './chooseSeries'

interface ContestOptions {
  readonly data: string
  readonly series?: string
  readonly answer?: readonly string[]
  readonly among?: string
}

/** Holds a contest of methods on a series of a file and prints how they rank; what comes first is not taken. */
export function contestOf({ data, series: name, answer, among }: ContestOptions): void {
  const series = chooseSeries(data, name, answer ?? [])
  const documents = among
    ?.split(',')
    .map((path): MethodDocument => parseDocument(methodSchema, readJson(path)))
  const base = documents?.[0] ?? { format: 'elvant-method/1' as const }
  const held = contest(
    series,
    base,
    documents?.map((document) => candidate(series, document)),
  )
  printJson(held)
  process.stderr.write(`${outcomeWords(held)}\n`)
}
