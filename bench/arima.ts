import { Matrix, QrDecomposition } from 'ml-matrix'
import { calculate } from '../core/calculate'
import { calendarOf } from '../core/calendar/calendar'
import { checkTask, roll } from '../core/check/rolling'
import type { MethodDocument } from '../core/method'
import type { Series } from '../core/series/series'
import { seededUniform } from '../core/statistics/random'
import { fitArima } from '../core/stateSpace/arima/fit'
import { median, say } from './measured'

/** Speed of ARIMA beside a decomposition by the package: a fit, a choice, a check, and how they grow with the series. */
function months(count: number): Series {
  const uniform = seededUniform(5)
  const normal = () => Array.from({ length: 12 }, uniform).reduce((sum, u) => sum + u, -6)
  let level = 8
  const values = Array.from({ length: count }, (_, t) => {
    level += 0.02 * normal()
    return Math.exp(level + 0.3 * Math.sin((Math.PI * t) / 6) + 0.01 * normal())
  })
  const calendar = calendarOf('monthly')
  return { name: 'Bench', unit: 'litres', calendar, start: { cycle: 1980, season: 1 }, values }
}
const by = (forecast: object, check?: MethodDocument['check']): MethodDocument => ({
  ...{ format: 'elvant-method/1', ...(check ? { check } : {}) },
  forecast: { by: 'arima', transform: 'ln', ...forecast },
})
const GIVEN = { orders: [0, 1, 1], seasonalOrders: [0, 1, 1] } as const
const ORDER = { p: 0, d: 1, q: 1, P: 0, D: 1, Q: 1 } as const
const tell = (what: string, ms: number) => say('arima', what, `${ms.toFixed(0)} ms`)

const matrix = Matrix.from1DArray(
  480,
  60,
  Array.from({ length: 480 * 60 }, (_, i) => Math.sin(i * i)),
)
tell(
  'yardstick: QR of 480 × 60 by the package',
  median(20, () => new QrDecomposition(matrix)),
)

for (const count of [120, 480]) {
  const series = months(count)
  const values = series.values.map((value) => Math.log(value!))
  const data = { values, columns: [], seasons: 12, order: ORDER }
  tell(
    `(0,1,1)(0,1,1) from eight starts, ${count} months`,
    median(10, () => fitArima(data, 'orders')),
  )
  tell(
    `orders chosen step by step, ${count} months`,
    median(3, () => calculate(series, by({}))),
  )
}
const ten = months(120)
const task = checkTask(ten, by(GIVEN))!
tell(
  `check of given orders, ${task.origins.length} origins, 120 months`,
  median(3, () => roll(checkTask(ten, by(GIVEN))!)),
)
tell(
  'trend by ARIMA, orders chosen, 120 months',
  median(5, () => calculate(ten, { format: 'elvant-method/1', trend: { form: 'arima' } })),
)
tell(
  'calendar effects with errors of given orders, 120 months',
  median(5, () =>
    calculate(ten, {
      format: 'elvant-method/1',
      calendar: { errors: 'arima', tradingDay: 'six', easter: 8, ...GIVEN },
    }),
  ),
)
