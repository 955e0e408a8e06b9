import { analyse } from '../core/analyse'
import { calendarOf } from '../core/calendar/calendar'
import type { Series } from '../core/series/series'

/** Time of the whole analysis of one series in the core, by its length. */
const REPEATS = 60

function months(count: number): Series {
  return {
    name: 'Bench',
    unit: 'litres',
    calendar: calendarOf('monthly'),
    start: { year: 1980, season: 1 },
    values: Array.from(
      { length: count },
      (_, i) =>
        (20_000 + 60 * i) * (1 + 0.35 * Math.sin((2 * Math.PI * i) / 12)) + ((i * 7919) % 997),
    ),
  }
}

for (const count of [60, 120, 480, 2400, 6000]) {
  const series = months(count)
  const times: number[] = []
  for (let i = 0; i < REPEATS; i++) {
    const started = performance.now()
    analyse(series, { format: 'elvant-method/1' })
    times.push(performance.now() - started)
  }
  const median = times.sort((a, b) => a - b)[REPEATS / 2]!
  const what = `core: analyse ${count} months`
  process.stdout.write(`${what.padEnd(72)} ${median.toFixed(2)} ms median of ${REPEATS}\n`)
}
