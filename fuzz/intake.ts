import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import writeWorkbook from 'write-excel-file/node'
import { randomFrom } from '../demo/random'
import { MUTATIONS } from './mutate'

/** Files that are spoiled, and how long one may take. */
const FILES = Number(process.env.FUZZ_FILES ?? 4000)
const SECONDS = Number(process.env.FUZZ_SECONDS ?? 120)
const LONGEST_MS = 5000
const SEED = Number(process.env.FUZZ_SEED ?? Date.now() % 1_000_000)
const FOUND = '.cache/fuzz'

/**
 * Spoils good files in many ways and reads them: never a crash, a hang, a value that is no number, or a row
 * that is lost in silence. Bounded in count and time; what is found is written down with its bytes.
 */
const good = [
  ...readdirSync('demo/files').map((name) => readFileSync(join('demo/files', name))),
  Buffer.from(
    'Year;Jan;Feb;Mar;Apr;Sum\n2020;1,5;2;3;4;10,5\n2021;5;6;7;8;26\nTotal;6,5;8;10;12;36,5',
  ),
  Buffer.from(
    'month,region,litres\n2021-01,North,1\n2021-01,South,2\n2021-02,North,3\n2021-02,South,4',
  ),
  Buffer.from('[{"month":"2021-01","Sales":5},{"month":"2021-02","Sales":null}]'),
  Buffer.from('date;Sales (€)\n01/02/2021;1.234,50\n02/02/2021;"(2)"\n03/02/2021;3-'),
  Buffer.from(
    await writeWorkbook([
      ['month', 'Sales'].map((value) => ({ value })),
      [{ value: '2021-01' }, { value: 5, type: Number }],
      [{ value: '2021-02' }, { value: 7, type: Number }],
    ]).toBuffer(),
  ),
]
const random = randomFrom(SEED)
const until = Date.now() + SECONDS * 1000
let worker = new Worker(new URL('./worker.mjs', import.meta.url))
let slowest = 0
let read = 0
let found = 0
while (read < FILES && Date.now() < until) {
  let bytes: Uint8Array = good[Math.floor(random.uniform() * good.length)]!
  const times = 1 + Math.floor(random.uniform() * 3)
  for (let i = 0; i < times; i++) {
    const mutate = MUTATIONS[Math.floor(random.uniform() * MUTATIONS.length)]!
    bytes = mutate(bytes, () => random.uniform())
  }
  const started = performance.now()
  const complaint = await readWatched(bytes)
  slowest = Math.max(slowest, performance.now() - started)
  read++
  if (complaint === null) continue
  found++
  mkdirSync(FOUND, { recursive: true })
  const path = join(FOUND, `seed-${SEED}-file-${read}`)
  writeFileSync(path, bytes)
  process.stdout.write(`${path}: ${complaint}\n`)
  if (found >= 10) break
}
await worker.terminate()
process.stdout.write(
  `${read} spoiled files read (seed ${SEED}), slowest ${slowest.toFixed(0)} ms, ${found} complaints\n`,
)
process.exitCode = found === 0 ? 0 : 1

/** What is wrong with the reading of a file; a reader that hangs is ended and told of. */
function readWatched(bytes: Uint8Array): Promise<string | null> {
  return new Promise((resolve) => {
    const timer = setTimeout(() => {
      void worker.terminate()
      worker = new Worker(new URL('./worker.mjs', import.meta.url))
      resolve(`takes longer than ${LONGEST_MS} ms`)
    }, LONGEST_MS)
    worker.once('message', (complaint: string | null) => {
      clearTimeout(timer)
      resolve(complaint)
    })
    worker.postMessage(bytes)
  })
}
