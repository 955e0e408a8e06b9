import { spawnSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { stl } from '../core/decompose/stl/stl'
import { stlParameters } from '../core/decompose/stl/windows'

/** Robust loess on two sets of made series that every language makes alike, and its growth with length. */
const SEASONS = 12
const REPEATS = 5

/** The i-th series of the yardstick, in hundredths made whole before they are divided. */
function yardstick(i: number, n: number): { hundredths: number[]; values: number[] } {
  let state = Math.imul(i + 1, 2654435761) >>> 0
  const next = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state >>> 16
  }
  for (let k = 0; k < 4; k++) next()
  let level = 100_000 + 2 * next()
  const slope = (next() % 401) - 100
  const pattern: number[] = []
  const drift: number[] = []
  for (let k = 0; k < SEASONS; k++) {
    pattern.push((next() % 40_001) - 20_000)
    drift.push((next() % 2001) - 1000)
  }
  const hundredths = Array.from({ length: n }, (_, t) => {
    level += slope + (next() % 1001) - 500
    const noise = next() + next() + next() + next() - 131_070
    const season = pattern[t % 12]! + drift[t % 12]! * Math.floor(t / 12)
    let value = level + season + Math.trunc(noise / 16)
    if (next() % 40 === 0) value += (next() % 60_001) - 30_000
    return value
  })
  return { hundredths, values: hundredths.map((value) => value / 100) }
}

const SETS = [
  ['a', 2000, 120],
  ['b', 500, 480],
] as const
/** Machines that others work on change their speed from minute to minute: both languages take turns. */
const TURNS = 3
type Sums = Record<'input' | 'trend' | 'seasonal' | 'remainder' | 'weights', number>

/** Microseconds a series, each one's best of some repeats, and the checksums of the set. */
function measure(count: number, n: number): { each: number; sums: Sums } {
  const parameters = stlParameters(
    { seasonalWindow: 13, trendWindow: 21, robust: true },
    n,
    SEASONS,
  )
  const sums: Sums = { input: 0, trend: 0, seasonal: 0, remainder: 0, weights: 0 }
  let total = 0
  for (let i = 0; i < count; i++) {
    const { hundredths, values } = yardstick(i, n)
    let best = Infinity
    let parts = stl(values, SEASONS, parameters)
    for (let repeat = 0; repeat < REPEATS; repeat++) {
      const started = performance.now()
      parts = stl(values, SEASONS, parameters)
      best = Math.min(best, performance.now() - started)
    }
    total += best
    for (let t = 0; t < n; t++) {
      const a = 1 + ((i + t) % 5)
      sums.input += a * hundredths[t]!
      sums.trend += a * parts.trend[t]!
      sums.seasonal += (1 + (t % 12)) * parts.seasonal[t]!
      sums.remainder += Math.abs(parts.remainder[t]!)
      sums.weights += a * parts.weights[t]!
    }
  }
  return { each: (1000 * total) / count, sums }
}

/** The same in plain C: microseconds a series of either set; null where there is no compiler. */
function measureC(): number[] | null {
  const program = join(mkdtempSync(join(tmpdir(), 'elvant-bench-')), 'loess')
  const source = fileURLToPath(new URL('./loess.c', import.meta.url))
  const words = ['-O2', '-fno-tree-vectorize', '-o', program, source, '-lm']
  if (spawnSync('cc', words).status !== 0) return null
  const { stdout } = spawnSync(program, { encoding: 'utf8' })
  return stdout.trim().split('\n').map(parseFloat)
}

const best = SETS.map(() => ({ each: Infinity, c: Infinity, sums: {} as Sums }))
for (let turn = 0; turn < TURNS; turn++) {
  const c = measureC()
  SETS.forEach(([, count, n], i) => {
    const { each, sums } = measure(count, n)
    const known = best[i]!
    best[i] = {
      sums,
      each: Math.min(known.each, each),
      c: Math.min(known.c, c?.[i] ?? Infinity),
    }
  })
}
SETS.forEach(([set, count, n], i) => {
  const { each, c, sums } = best[i]!
  report(
    `robust loess, set ${set}: ${count} series of ${n} months, best of ${TURNS} turns`,
    `${each.toFixed(0)} µs a series, ${Math.round(1e6 / each)} series a second`,
  )
  report(
    '  against plain scalar C on this machine',
    c === Infinity
      ? 'no C compiler here'
      : `${c.toFixed(0)} µs a series: ${Math.round((100 * c) / each)}% of its speed`,
  )
  for (const [name, sum] of Object.entries(sums)) report(`  checksum ${name}`, String(sum))
})

for (const n of [60, 120, 480, 1200, 6000]) {
  const { values } = yardstick(0, n)
  const parameters = stlParameters(
    { seasonalWindow: 13, trendWindow: 21, robust: true },
    n,
    SEASONS,
  )
  const times = Array.from({ length: 15 }, () => {
    const started = performance.now()
    stl(values, SEASONS, parameters)
    return performance.now() - started
  }).sort((a, b) => a - b)
  report(
    `robust loess, ${n} months`,
    `${(1000 * times[0]!).toFixed(0)} µs, ${((1e6 * times[0]!) / n).toFixed(0)} ns a month`,
  )
}

function report(what: string, figure: string): void {
  process.stdout.write(`${what.padEnd(72)} ${figure}\n`)
}
