import { analyse } from '../core/analyse'
import { calculate } from '../core/calculate'
import { calendarOf } from '../core/calendar/calendar'
import { examine } from '../core/examine'
import { explain } from '../core/ledger/explain'
import { ledgerOf } from '../core/ledger/ledger'
import type { Series } from '../core/series/series'

/** Time of the core alone on one series, by its length: numbers, judgements, words, explanations. */
const METHOD = { format: 'elvant-method/1' } as const

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

/** Median of many runs, once the first have made the machine warm. */
function measure(what: string, repeats: number, run: () => void): void {
  for (let i = 0; i < repeats; i++) run()
  const times = Array.from({ length: repeats }, () => {
    const started = performance.now()
    run()
    return performance.now() - started
  }).sort((a, b) => a - b)
  const median = times[repeats >> 1]!
  const figure = median < 1 ? `${median.toFixed(3)} ms` : `${median.toFixed(1)} ms`
  process.stdout.write(`${`core: ${what}`.padEnd(72)} ${figure} median of ${repeats}\n`)
}

const ten = months(120)
measure('numbers alone, 120 months', 400, () => calculate(ten, METHOD))
const figures = calculate(ten, METHOD)
measure('judgements, 120 months', 400, () => examine(figures))
for (const count of [60, 120, 480, 2400, 6000]) {
  const series = months(count)
  measure(`analyse ${count} months`, count > 1000 ? 30 : 300, () => analyse(series, METHOD))
}

/** Every cell of the ledger explained, on a result that was not asked before. */
measure('ledger and every explanation, 120 months', 20, () => {
  const result = analyse(ten, METHOD)
  const { columns, run } = ledgerOf(result)
  for (const { name } of columns) {
    for (let t = run.firstT; t <= run.endT; t++) explain(result, name, t)
  }
})
