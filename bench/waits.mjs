import { Worker } from 'node:worker_threads'
import Sqlite from 'better-sqlite3'
import { startServer } from '../scripts/ownServer.mjs'

const PORT = 4394
const LONGEST_SERIES = 20_000

/** Milliseconds that nobody may wait for what another asks. */
const MOST = 100
/** The same of a small analysis behind a queue of heavy ones. */
const MOST_BEHIND = 1000
const MANY = 5000

/** Asks for something small again and again until it is told that it is over, and says how long it waited at most. */
const PROBE = `
  const { parentPort, workerData } = require('node:worker_threads')
  let isOver = false
  parentPort.once('message', () => (isOver = true))
  async function probe() {
    let longest = 0
    for (let asked = 0; !isOver; asked++) {
      const began = performance.now()
      await (await fetch(workerData)).text()
      // The first ones make the connection, and the thread ready.
      if (asked >= 5) longest = Math.max(longest, performance.now() - began)
      else if (asked === 4) parentPort.postMessage('ready')
      await new Promise((resolve) => setTimeout(resolve, 10))
    }
    parentPort.postMessage(longest)
  }
  void probe()
`

let isMissed = false

/** How long a small answer waits while the heaviest requests that are allowed run, and what each of those takes. */
const server = await startServer(PORT)
const BASE = `${server.base}/api/v1`
try {
  const values = Array.from(
    { length: LONGEST_SERIES },
    (_, t) => 1000 + t / 10 + 100 * Math.sin((2 * Math.PI * t) / 12) + ((t * 7919) % 97),
  )
  const series = { name: 'Long', unit: 'litres', frequency: 'monthly', start: '0100-01', values }
  const analyse = (method) => () =>
    send('/analyses', { series, method: { format: 'elvant-method/1', ...method } })
  const kept = await send('/series', {
    series: Array.from({ length: 20 }, (_, i) => ({
      series: { ...series, name: `Long ${i}` },
      source: { file: 'bench' },
    })),
  }).then((answer) => answer.json())
  const ids = kept.series.map(({ id }) => id)
  await say('robust loess, 20,000 months', analyse({ decompose: { by: 'stl' } }))
  await say('smoothing, damped, 20,000 months', analyse({ forecast: { by: 'smoothing' } }))
  await say('windows that are refused', analyse({ decompose: { by: 'stl', trendWindow: 15_001 } }))
  for (const as of ['xlsx', 'package']) {
    await say(`export of 20 series of 20,000 months, ${as}`, () =>
      send('/series/export', { ids, as }),
    )
  }
  await say('backup', () => fetch(`${BASE}/backup`))
  const method = { format: 'elvant-method/1', forecast: { by: 'smoothing' } }
  const heavy = JSON.stringify({ series, method })
  const queue = (signal) =>
    Array.from({ length: 20 }, () => sendBytes('/analyses', heavy, signal).catch(() => null))
  await say('20 analyses whose askers go', async () => {
    await Promise.all(queue(AbortSignal.timeout(500)))
    return small()
  })
  await behind('a small analysis behind 20 of 20,000 months', queue)
  await whileHeld(ids)
  const months = values.slice(0, 240)
  const many = Array.from({ length: MANY }, (_, i) => ({
    series: { ...series, name: `Depot ${i}`, start: '2000-01', values: months },
    source: { file: 'bench' },
  }))
  const body = JSON.stringify({ series: many })
  await say(`${MANY} series of 240 months kept`, () => sendBytes('/series', body))
  await say(`the shelf of ${MANY} series, by pages`, async () => {
    let after = null
    let answer
    do {
      const more = after === null ? '' : `&after=${encodeURIComponent(after)}`
      answer = await fetch(`${BASE}/series?limit=100${more}`)
      after = (await answer.clone().json()).next
    } while (after !== null)
    return answer
  })
  await say(`the shelf of ${MANY} series as a whole`, () => fetch(`${BASE}/series`))
  const shelf = await fetch(`${BASE}/series?limit=100`).then((answer) => answer.json())
  const pictured = shelf.series.map(({ id }) => id)
  await say('100 small pictures', () =>
    fetch(`${BASE}/series/values?ids=${pictured.join(',')}&points=360`),
  )
  const all = await everyId()
  await say(`${all.length} series put into a group`, () =>
    send('/series/acts', { act: 'group', group: 'A', ids: all }),
  )
  const deep = Buffer.alloc(6 * 1024 * 1024, '[')
  await say('6 MB of nested brackets', () => sendBytes('/series', deep))
  const wide = Buffer.from(`[${'[],'.repeat(8_000_000)}[]]`)
  await say('24 MB of empty lists, four times at once', async () => {
    const answers = await Promise.all([1, 2, 3, 4].map(() => sendBytes('/series/acts', wide)))
    return answers[0]
  })
} finally {
  server.stop()
}
process.exitCode = isMissed ? 1 : 0

async function everyId() {
  const { series } = await fetch(`${BASE}/series`).then((answer) => answer.json())
  return series.map(({ id }) => id)
}

/** An analysis of four years of months. */
function small() {
  const few = Array.from({ length: 48 }, (_, t) => 100 + t + 20 * Math.sin((2 * Math.PI * t) / 12))
  return send('/analyses', {
    series: { name: 'Small', unit: 'litres', frequency: 'monthly', start: '2020-01', values: few },
    method: { format: 'elvant-method/1' },
  })
}

/** How long a small analysis takes while others wait that take long. */
async function behind(what, queue) {
  const stopped = new AbortController()
  const waiting = queue(stopped.signal)
  await new Promise((resolve) => setTimeout(resolve, 200))
  const asked = performance.now()
  await (await small()).text()
  print(what, '', performance.now() - asked, MOST_BEHIND)
  stopped.abort()
  await Promise.all(waiting)
}

/** How long others wait while another program holds the database, and a save with it. */
async function whileHeld(ids) {
  const other = new Sqlite(server.data)
  other.exec('BEGIN IMMEDIATE')
  setTimeout(() => other.exec('ROLLBACK'), 2000)
  await say('a save while another program holds the database', () =>
    send('/series/acts', { act: 'group', group: 'B', ids }),
  )
  other.close()
}

/** Runs a heavy request, with a small one again and again beside it, from a thread of its own. */
async function say(what, heavy) {
  const probe = new Worker(PROBE, { eval: true, workerData: `${BASE}/series/trash` })
  const probed = () => new Promise((resolve) => probe.once('message', resolve))
  await probed()
  const started = performance.now()
  const answer = await heavy()
  await answer.arrayBuffer()
  const took = performance.now() - started
  probe.postMessage('over')
  print(what, `, answered ${answer.status} in ${took.toFixed(0)} ms`, await probed(), MOST)
  await probe.terminate()
}

function print(what, how, longest, most) {
  const isLonger = longest > most
  isMissed ||= isLonger
  process.stdout.write(
    `${`waits: ${what}${how}`.padEnd(88)} longest small answer ${longest.toFixed(0)} ms${isLonger ? ` (MISSED: ${most})` : ''}\n`,
  )
}

function send(path, body, signal) {
  return sendBytes(path, JSON.stringify(body), signal)
}

function sendBytes(path, body, signal) {
  return fetch(BASE + path, {
    ...{ method: 'POST', body, headers: { 'content-type': 'application/json' } },
    ...(signal ? { signal } : {}),
  })
}
