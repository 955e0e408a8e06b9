import { Matrix, QrDecomposition } from 'ml-matrix'
import { analyse } from '../core/analyse'
import { calculate } from '../core/calculate'
import { calendarOf } from '../core/calendar/calendar'
import { check } from '../core/check/check'
import { checkTask, roll } from '../core/check/rolling'
import { completeMethod } from '../core/completeMethod'
import { contest } from '../core/contest/contest'
import { adjust } from '../core/decompose/iterated/adjust'
import { USUAL_LIMITS } from '../core/decompose/iterated/adjustable'
import { examine } from '../core/examine'
import { forecastByRegression } from '../core/forecast/regression/calculate'
import { designOfRegression } from '../core/forecast/regression/design'
import type { RegressionOptions } from '../core/forecast/regression/options'
import { explain } from '../core/ledger/explain'
import { ledgerOf } from '../core/ledger/ledger'
import type { Series } from '../core/series/series'
import { stretchOf } from '../core/series/stretch'

/** Time of the core alone on one series, by its length: numbers, judgements, words, explanations. */
const METHOD = { format: 'elvant-method/1' } as const

function months(count: number): Series {
  return {
    name: 'Bench',
    unit: 'litres',
    calendar: calendarOf('monthly'),
    start: { cycle: 1980, season: 1 },
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
const task = checkTask(ten, METHOD)!
measure(`rolling check of the default method, ${task.origins.length} origins, 120 months`, 20, () =>
  roll(task),
)
measure('the whole check with its verdict, 120 months', 20, () => check(ten, METHOD))
measure('contest of the usual methods, 36 origins, 120 months', 3, () => contest(ten, METHOD))
const figures = calculate(ten, METHOD)
measure('judgements, 120 months', 400, () => examine(figures))
for (const count of [60, 120, 480, 2400, 6000]) {
  const series = months(count)
  measure(`analyse ${count} months`, count > 1000 ? 5 : 100, () => analyse(series, METHOD))
}

/** Three rounds of averages on numbers alone: linear in the periods. */
for (const count of [120, 240, 480, 960]) {
  const { values, start } = months(count)
  const options = { seasonal: null, henderson: null, limits: USUAL_LIMITS }
  measure(`iterated averages, three rounds, ${count} months`, 60, () =>
    adjust({ seasons: 12, start, values }, 'multiplicative', options),
  )
}

/** Every cell of the ledger explained, on a result that was not asked before. */
measure('ledger and every explanation, 120 months', 20, () => {
  const result = analyse(ten, METHOD)
  const { columns, run } = ledgerOf(result)
  for (const { name } of columns) {
    for (let t = run.firstT; t <= run.endT; t++) explain(result, name, t)
  }
})

/**
 * The regression of trend plus season with its whole report (terms, effects, tests of the residuals, influence),
 * beside the QR decomposition of its design alone, by the library: what no report can be faster than.
 */
const { forecast: asked, trend: trendOptions } = completeMethod(
  { ...METHOD, forecast: { by: 'regression' } },
  ten,
)
const options = asked as RegressionOptions
const stretch = stretchOf(ten, 1, ten.values.length)
const basis = {
  ...{ stretch, start: ten.start, trendOptions, trend: figures.trend, model: options.model },
  ...{
    lastT: 120,
    seasonCost: 11,
    costBefore: 0,
    indexAt: () => 1,
    uncertaintyAt: () => 0,
    index: [],
  },
  hasSeason: true,
  calculateMember: () => {
    throw new Error('A regression has no methods within it.')
  },
}
measure('regression with its report, 120 months, 13 coefficients', 600, () => {
  forecastByRegression(basis, options).report()
})
const { all } = designOfRegression(options, trendOptions, ten.calendar, ten.start)
const matrix = new Matrix(ten.values.map((_, i) => all.map(({ at }) => at(i + 1))))
measure('yardstick: QR of its 120 × 12 design alone', 600, () => {
  void new QrDecomposition(matrix).upperTriangularMatrix
})
