import { startServer } from '../scripts/ownServer.mjs'

const PORT = 4394
const LONGEST_SERIES = 20_000

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
} finally {
  server.stop()
}

/** Runs a heavy request, with a small one again and again beside it. */
async function say(what, heavy) {
  let isOver = false
  let longest = 0
  const started = performance.now()
  const running = heavy().then(async (answer) => {
    await answer.arrayBuffer()
    isOver = true
    return answer.status
  })
  while (!isOver) {
    const asked = performance.now()
    await (await fetch(`${BASE}/series/trash`)).text()
    longest = Math.max(longest, performance.now() - asked)
    await new Promise((resolve) => setTimeout(resolve, 10))
  }
  const took = performance.now() - started
  process.stdout.write(
    `${`waits: ${what}, answered ${await running} in ${took.toFixed(0)} ms`.padEnd(88)} longest small answer ${longest.toFixed(0)} ms\n`,
  )
}

function send(path, body) {
  return fetch(BASE + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
}
