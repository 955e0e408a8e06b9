import { startServer } from '../scripts/ownServer.mjs'

/**
 * Thousands of malformed requests to a real server: none may be answered as a defect, and the server must live through all of
 * them. Bounded in count; the same seed makes the same requests.
 */
const COUNT = Number(process.env.FUZZ_REQUESTS ?? 3000)
const PORT = 4395
/** Requests that are on their way at once. */
const AT_ONCE = 8

let seed = 20_260_101
function random(): number {
  seed = (seed * 1_664_525 + 1_013_904_223) >>> 0
  return seed / 2 ** 32
}
const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!

const GONE = '0b0e5c1c-2f0f-4b7e-9a55-0a7c8f3b1d11'
const PATHS = [
  ['POST', '/analyses'],
  ['POST', '/series'],
  ['GET', '/series'],
  ['GET', '/series?limit=0'],
  ['GET', '/series?limit=5&after=x'],
  ['GET', `/series?limit=5&after=${GONE}%F0%9F%8E`],
  ['GET', '/series/values'],
  ['GET', `/series/values?ids=${GONE},x`],
  ['GET', `/series/values?ids=${GONE}&points=1e9`],
  ['GET', '/storage'],
  ['POST', '/key'],
  ['GET', `/series/${GONE}/vintages`],
  ['POST', `/series/${GONE}/vintages`],
  ['PATCH', `/series/${GONE}`],
  ['POST', '/series/acts'],
  ['POST', '/series/updates'],
  ['POST', '/series/export'],
  ['GET', `/studies/${GONE}`],
  ['PUT', `/studies/${GONE}`],
  ['PUT', `/studies/${GONE}/contest`],
  ['GET', `/studies/${GONE}/report`],
  ['PUT', `/studies/${GONE}/report`],
  ['POST', '/reports'],
  ['GET', '/studies/%00'],
  ['GET', '/studies/%E0%A4%A'],
  ['POST', '/files?name=%ff'],
  ['GET', `/files/${GONE}`],
  ['POST', '/backup'],
  ['DELETE', '/series'],
] as const

const SERIES = {
  name: 'Primer',
  unit: 'litres',
  frequency: 'monthly',
  start: '2019-01',
  values: Array.from({ length: 48 }, (_, t) => 100 + t + 20 * Math.sin(t / 2)),
}
/** Combinations of combinations. */
function nested(levels: number): object {
  const inner = levels === 0 ? { by: 'smoothing' } : nested(levels - 1)
  return { by: 'combination', of: [{ forecast: inner }, { forecast: { by: 'benchmark' } }] }
}
const WHOLE: readonly unknown[] = [
  { series: SERIES, method: { format: 'elvant-method/1', decompose: { model: 'additive' } } },
  { series: SERIES, method: { format: 'elvant-method/1', forecast: { by: 'smoothing' } } },
  { series: SERIES, method: { format: 'elvant-method/1', forecast: { by: 'combination' } } },
  ...[1, 2, 50, 500].map((levels) => ({
    series: SERIES,
    method: { format: 'elvant-method/1', forecast: nested(levels) },
  })),
  { series: [{ series: SERIES, source: { file: 'a.csv' }, fileId: GONE }] },
  { act: 'discard', ids: [GONE] },
  { updates: [{ id: GONE, series: SERIES, source: { file: 'a.csv' }, vanished: 'drop' }] },
  { ids: [GONE], as: 'xlsx' },
  { ids: [GONE], length: 'page', locale: 'de-DE', date: '31.12.2025' },
  { length: 'full', without: ['terms'], paragraphs: { top: '[1 = total: ahead]' } },
  { method: { format: 'elvant-method/1' }, version: 1 },
  { name: 'x' },
]
const ODD: readonly unknown[] = [
  ...[null, true, '', 'x', 0, -1, 1e308, 1.5, [], {}, [[]], '2019-13', '9999-12', '\ud800'],
  ...['\u0000', 'a'.repeat(20_000), { by: 'x' }, Number.MAX_SAFE_INTEGER, '__proto__'],
]

/** A copy with one thing in it replaced, taken out or added. */
function spoilt(value: unknown): unknown {
  if (value === null || typeof value !== 'object' || random() < 0.15) return pick(ODD)
  if (Array.isArray(value)) {
    const at = Math.floor(random() * value.length)
    return value.map((own: unknown, i) => (i === at ? spoilt(own) : own))
  }
  const keys = Object.keys(value)
  const key = random() < 0.1 ? pick(['constructor', '__proto__', 'toString', 'more']) : pick(keys)
  const inner = (value as Record<string, unknown>)[key]
  return { ...value, [key]: random() < 0.1 ? undefined : spoilt(inner) }
}

function body(): string {
  const text = JSON.stringify(random() < 0.8 ? spoilt(pick(WHOLE)) : pick(WHOLE)) ?? ''
  const kind = random()
  if (kind < 0.06) return text.slice(0, Math.floor(random() * text.length))
  if (kind < 0.08) return '['.repeat(50_000)
  // Long ones are read on another thread: there a fault must be answered too.
  if (kind < 0.085) return `[${'{},'.repeat(200_000)}{}]`
  if (kind < 0.09) return `{"series":[${'1,'.repeat(300_000)}1]}`
  if (kind < 0.095) return JSON.stringify({ ...(pick(WHOLE) as object), more: 'x'.repeat(400_000) })
  return text
}

const server = await startServer(PORT)
const BASE = `${server.base}/api/v1`
const statuses = new Map<number, number>()
const defects: string[] = []
let lived = true

async function ask(): Promise<void> {
  const [method, path] = pick(PATHS)
  const sent = method === 'GET' ? undefined : body()
  try {
    const answer = await fetch(BASE + path, {
      method,
      ...(sent === undefined
        ? {}
        : { body: sent, headers: { 'content-type': 'application/json' } }),
    })
    await answer.arrayBuffer()
    statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1)
    if (answer.status === 500) defects.push(`${method} ${path} ${(sent ?? '').slice(0, 300)}`)
  } catch (error) {
    if (!server.runs()) throw error
    defects.push(`${method} ${path}: ${(error as Error).message}`)
  }
}

try {
  for (let i = 0; i < COUNT && server.runs(); i += AT_ONCE) {
    await Promise.all(Array.from({ length: AT_ONCE }, ask))
  }
} finally {
  lived = server.runs()
  server.stop()
}
const said = [...statuses].sort(([a], [b]) => a - b).map(([status, count]) => `${status}: ${count}`)
process.stdout.write(`${COUNT} malformed requests; ${said.join(', ')}\n`)
for (const defect of defects.slice(0, 10)) process.stdout.write(`answered as a defect: ${defect}\n`)
if (defects.length > 0 || !lived) process.exitCode = 1
