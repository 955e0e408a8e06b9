import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startServer } from '../scripts/ownServer.mjs'

/**
 * Kills servers while they write and restores while they run, without warning: every write that was answered must be there
 * afterwards, and under the name of the database there must be a whole one. Bounded in count.
 */
const KILLS = Number(process.env.FUZZ_KILLS ?? 15)
const PORT = 4396
const folder = mkdtempSync(join(tmpdir(), 'elvant-kills-'))
const data = join(folder, 'elvant.sqlite')
const complaints: string[] = []

interface Row {
  readonly name: string
  readonly studyId: string
}
const series = (name: string) => ({
  series: [
    {
      series: { name, unit: 'litres', frequency: 'monthly', start: '2020-01', values: [1, 2, 3] },
      source: { file: 'a.csv' },
    },
  ],
})

/** Keeps series one after the other until the server is gone. @param onAnswer told of each @returns the names whose keeping was answered */
async function writeUntilKilled(
  base: string,
  round: number,
  onAnswer: () => void,
): Promise<string[]> {
  const answered: string[] = []
  for (let i = 0; ; i++) {
    const name = `Round ${round}, ${i}`
    try {
      const answer = await fetch(`${base}/api/v1/series`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(series(name)),
      })
      if (!answer.ok) complaints.push(`a write was answered ${answer.status}`)
      answered.push(name)
      onAnswer()
    } catch {
      return answered
    }
  }
}

/** Series that are kept by one request. */
const MANY = 400

/** Keeps many series by one request. @returns whether it was answered */
async function writeMany(base: string, round: number): Promise<boolean> {
  const all = Array.from({ length: MANY }, (_, i) => series(`Many ${round}, ${i}`).series[0])
  try {
    const answer = await fetch(`${base}/api/v1/series`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ series: all }),
    })
    return answer.ok
  } catch {
    return false
  }
}

/** All of them or none, and all when that was answered. */
function checkMany(kept: ReadonlySet<string>, round: number, wasAnswered: boolean): void {
  const count = [...kept].filter((name) => name.startsWith(`Many ${round},`)).length
  if (count !== MANY && (count > 0 || wasAnswered)) {
    complaints.push(`${count} of ${MANY} series of one request are there`)
  }
}

async function namesKept(base: string): Promise<Set<string>> {
  const shelf = (await (await fetch(`${base}/api/v1/series`)).json()) as { series: Row[] }
  return new Set(shelf.series.map(({ name }) => name))
}

let promised: string[] = []
let wasAnswered = false
for (let round = 0; round < KILLS; round++) {
  const server = await startServer(PORT, data)
  const kept = await namesKept(server.base)
  if (round > 0) checkMany(kept, round - 1, wasAnswered)
  const lost = promised.filter((name) => !kept.has(name))
  if (lost.length > 0) complaints.push(`${lost.length} answered writes are gone: ${lost[0]}`)
  let writing = Promise.resolve<string[]>([])
  const hasBegun = new Promise<void>((begun) => {
    writing = writeUntilKilled(server.base, round, begun)
  })
  const writingMany = writeMany(server.base, round)
  await hasBegun
  await new Promise((resolve) => setTimeout(resolve, Math.random() * 300))
  server.stop('SIGKILL')
  await server.ended
  promised = [...promised, ...(await writing)]
  wasAnswered = await writingMany
}

// A restore that is killed between any two of its steps leaves the old database or the new one.
const cli = (...words: string[]) => ['bin/elvant.mjs', ...words]
const env = { ...process.env, ELVANT_DATA: data }
const copy = join(folder, 'copy.backup')
const made = spawnSync(process.execPath, cli('backup', copy), { env, encoding: 'utf8' })
if (made.status !== 0) complaints.push(`no backup was made: ${made.stderr}`)
for (let round = 0; round < KILLS; round++) {
  const restore = spawn(process.execPath, cli('restore', copy), { env, stdio: 'ignore' })
  const ended = new Promise((resolve) => restore.once('exit', resolve))
  // From before its first step to after its last.
  await new Promise((resolve) => setTimeout(resolve, 200 + Math.random() * 800))
  restore.kill('SIGKILL')
  await ended
  const server = await startServer(PORT, data)
  const kept = await namesKept(server.base)
  if (!promised.every((name) => kept.has(name))) {
    complaints.push(`after a killed restore ${kept.size} of ${promised.length} series are there`)
  }
  server.stop()
  await server.ended
}
rmSync(folder, { recursive: true, force: true })
process.stdout.write(
  `${KILLS} servers killed over ${promised.length} answered writes, ${KILLS} restores killed; ${complaints.length} complaints\n`,
)
for (const complaint of complaints.slice(0, 10)) process.stdout.write(`${complaint}\n`)
if (complaints.length > 0) process.exitCode = 1
