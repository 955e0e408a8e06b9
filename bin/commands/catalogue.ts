import { availableParallelism } from 'node:os'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { pool } from 'workerpool'
import { USUAL_THRESHOLDS } from '../../core/catalogue/attention'
import { endingOf, periodsBehind } from '../../core/catalogue/behind'
import { USUAL_ORIGINS, type CataloguePlan } from '../../core/catalogue/catalogued'
import type { MethodSource } from '../../core/catalogue/chosen'
import { USUAL_CONTEST } from '../../core/catalogue/usualContest'
import type { Catalogued } from '../../core/catalogue/row'
import { Refusal } from '../../core/refusal'
import { requireWhole } from '../../core/requireWhole'
import type { Series } from '../../core/series/series'
import {
  CATALOGUE_FORMAT,
  catalogueForecastsTable,
  catalogueMethods,
  catalogueRowsTable,
} from '../../handover/catalogueTables'
import { tableAsCsv } from '../../handover/tableText'
import { methodSchema } from '../../shared/methodSchema'
import { parseDocument } from '../../shared/parseDocument'
import type { CatalogueChunk, CatalogueTasks } from '../catalogueWorker'
import { readJson, writeBytes } from '../files'
import { printJson } from '../output'
import { chooseAll } from './chooseSeries'

export interface CatalogueOptions {
  readonly data: string
  readonly out: string
  readonly answer?: readonly string[]
  readonly method?: string
  readonly begin?: boolean
  /** Of the usual methods where no files are named. */
  readonly contest?: string | true
  readonly origins?: string
}

/** Works every series of a file through, and writes a row a series, all forecasts and all methods into a folder. */
export async function catalogue(options: CatalogueOptions): Promise<void> {
  const { data, out, answer } = options
  const source = sourceOf(options)
  const origins = options.origins === undefined ? USUAL_ORIGINS : Number(options.origins)
  requireWhole(origins, 1, 1000, '--origins')
  const all = chooseAll(data, [], answer ?? [])
  requireFolder(out)
  const done = await workThrough(all, { source, origins, thresholds: USUAL_THRESHOLDS })
  const write = (name: string, text: string) =>
    writeBytes(join(out, name), new TextEncoder().encode(text))
  write('rows.csv', tableAsCsv(catalogueRowsTable(done)))
  write('forecasts.csv', tableAsCsv(catalogueForecastsTable(done)))
  write('methods.json', JSON.stringify(catalogueMethods(done), null, 2) + '\n')
  printJson({
    format: CATALOGUE_FORMAT,
    series: done.length,
    forecast: done.filter(({ forecast }) => forecast !== null).length,
    refused: done.filter(({ row }) => row.refused !== null).length,
    lookAt: done.filter(({ row }) => row.attention.length > 0).length,
    files: ['rows.csv', 'forecasts.csv', 'methods.json'],
  })
}

/** Where the methods come from: one of the three that can be said. */
function sourceOf({ method, begin, contest }: CatalogueOptions): MethodSource {
  const said = [method !== undefined, begin === true, contest !== undefined].filter(Boolean)
  if (said.length !== 1) {
    throw new Refusal(
      'Say where the methods come from, in one way: --begin, --method <file> or --contest [files].',
      'arguments',
    )
  }
  const read = (path: string) => parseDocument(methodSchema, readJson(path))
  if (method !== undefined) return { kind: 'given', method: read(method) }
  if (contest === true) return { kind: 'contest', methods: USUAL_CONTEST.map((one) => one.method) }
  if (contest !== undefined) return { kind: 'contest', methods: contest.split(',').map(read) }
  return { kind: 'begin' }
}

function requireFolder(path: string): void {
  try {
    mkdirSync(path, { recursive: true })
  } catch (error) {
    throw new Refusal(
      `The folder ${path} cannot be made: ${(error as NodeJS.ErrnoException).code ?? (error as Error).message}.`,
      '--out',
    )
  }
}

/** Series that a thread is given at once: enough that handing over costs nothing, few enough that all end together. */
const AT_ONCE = 25

/** Beside the compiled program, made from `catalogueWorker.ts`. */
const SCRIPT = fileURLToPath(new URL('catalogueWorker.mjs', import.meta.url))

/** Every series on as many threads as the machine has cores, in the order of the file. */
async function workThrough(all: readonly Series[], plan: CataloguePlan): Promise<Catalogued[]> {
  const behind = periodsBehind(all.map(endingOf))
  const chunks = Array.from({ length: Math.ceil(all.length / AT_ONCE) }, (_, i): CatalogueChunk => {
    const [from, to] = [i * AT_ONCE, (i + 1) * AT_ONCE]
    return { series: all.slice(from, to), behind: behind.slice(from, to), plan }
  })
  const threads = pool(SCRIPT, {
    workerType: 'thread',
    maxWorkers: Math.min(chunks.length, availableParallelism()),
  })
  const tell = progressTo(process.stderr, all.length)
  try {
    const done = await Promise.all(
      chunks.map(async (chunk) => {
        const own = await threads.exec<CatalogueTasks['workThrough']>('workThrough', [chunk])
        tell(own.length)
        return own
      }),
    )
    return done.flat()
  } finally {
    await threads.terminate()
  }
}

/** Says how far it is, once a second at most, and how long it will take; to a terminal alone. */
function progressTo(stream: NodeJS.WriteStream, of: number): (more: number) => void {
  const began = performance.now()
  let [done, said] = [0, began]
  return (more) => {
    done += more
    const now = performance.now()
    if (!stream.isTTY || (now - said < 1000 && done < of)) return
    said = now
    const left = Math.ceil((((now - began) / done) * (of - done)) / 1000)
    stream.write(
      `\r${done.toLocaleString('en')} of ${of.toLocaleString('en')} series, ${left} s left${done === of ? '\n' : '  '}`,
    )
  }
}
