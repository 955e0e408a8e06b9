import { readFile } from '../intake/readFile'

/** Time and memory of reading the largest file that is promised: 1,000 series of 240 months, 50 MB. */
const SERIES = 1000
const MONTHS = 240
const PADDING = 'x'.repeat(170)

const lines = ['month,region,product,litres,remark']
for (let month = 0; month < MONTHS; month++) {
  const period = `${2000 + Math.floor(month / 12)}-${String((month % 12) + 1).padStart(2, '0')}`
  for (let i = 0; i < SERIES; i++) {
    const litres = 1000 + i + 3 * month + 20 * (month % 12)
    lines.push(`${period},Region ${Math.floor(i / 50)},Product ${i},${litres},${PADDING}${i}`)
  }
}
const bytes = new TextEncoder().encode(lines.join('\n'))
lines.length = 0
const started = performance.now()
const reading = readFile(bytes)
const seconds = (performance.now() - started) / 1000
const memory = process.memoryUsage().rss / 1e6
const count = reading.outcome === 'ok' ? reading.series.length : 0
const what = `intake: ${(bytes.length / 1e6).toFixed(0)} MB, ${SERIES * MONTHS} rows in long layout`
process.stdout.write(
  `${what.padEnd(72)} ${seconds.toFixed(1)} s, ${count} series, ${memory.toFixed(0)} MB\n`,
)
