import { declare, type Column } from '../../column/column'
import { figureOf, operation, type Expression } from '../../column/expression'
import type { Run } from '../../column/run'
import { differencing, expanded } from '../../stateSpace/arima/polynomial'
import type { Value } from '../../series/series'
import { noWayBack } from '../beyondNumbers'
import { fittedColumns, limitColumns } from '../columns'
import { backExpression, transformedColumn } from '../powerColumns'
import type { ForecastParts } from '../way'
import type { ArimaForecast } from './calculate'
import type { ArimaOptions } from './options'

type Parts = ForecastParts<ArimaOptions, ArimaForecast>

const PREDICTED = 'predicted'
const SURPRISE = 'surprise'
const GROUP = { name: 'arima', label: 'of the model' } as const

/** Predictions and surprises on the scale of the model, fitted values, the forecast and its limits. */
export function columnsOfArima(run: Run, parts: Parts): Column[] {
  const { options, ahead } = parts
  const { transform, scaled, factors, interval } = ahead
  const values = transform ? 'transformed' : run.input.column
  const back = (z: Expression) => (transform ? backExpression(z, transform.lambda) : z)
  const noWay = () => noWayBack(transform?.lambda ?? 0)
  const measure = transform ? ('number' as const) : ('level' as const)
  const prediction = predictionArithmetic(run, ahead, values)
  return [
    ...(transform ? [transformedColumn(run, transform.lambda, scaled.values)] : []),
    declare(run.unit, {
      name: PREDICTED,
      label: transform ? 'Predicted, transformed' : 'Predicted',
      symbol: 'predicted',
      means: 'one step ahead, by the model',
      measure,
      ...{ component: 'forecast', mark: 'line-thin', group: GROUP, stages: ['trend', 'project'] },
      actual: scaled.predicted,
      ahead: scaled.forecast,
      arithmetic: prediction,
      whyUndefined: whyNone,
    }),
    declare(run.unit, {
      name: SURPRISE,
      label: 'Surprise',
      symbol: 'surprise',
      means: 'what the prediction missed',
      measure: transform ? 'number' : 'difference',
      ...{ component: 'irregular', mark: 'stems', group: GROUP, stages: ['trend'] },
      actual: surprisesOf(ahead),
      arithmetic: (t) => operation(run.cell(values, t), '−', run.cell(PREDICTED, t)),
      whyUndefined: whyNone,
    }),
    ...fittedColumns(run, {
      of: ', ARIMA',
      means: 'one step ahead',
      stages: ['trend', 'check'],
      arithmetic: (t) => back(prediction(t)),
      whyUndefined: (t) => (run.value(PREDICTED, t) === null ? whyNone(t) : noWay()),
    }),
    declare(run.unit, {
      name: 'forecast',
      label: 'Forecast',
      means: 'by the model',
      measure: 'level',
      ...{ component: 'forecast', mark: 'line-dashed', stages: ['project'] },
      ahead: ahead.forecast,
      arithmetic: (t) => {
        const median = back(prediction(t))
        const over = scaled.meanOver?.[t - run.lastT - 1]
        return over === undefined ? median : operation(median, '×', figureOf('mean ÷ median', over))
      },
    }),
    ...limitColumns(run, options, ahead, {
      explains: 'prediction limit by the variance of the filter',
      arithmetic: (level, side, t) => {
        const at = t - run.lastT - 1
        const spread = operation(figureOf('σ', interval.s), '×', {
          kind: 'root',
          of: figureOf('variance factor', factors[at]!),
        })
        const reach = operation(figureOf(`z(${level}%)`, interval.quantiles[level]!), '×', spread)
        return back(operation(run.cell(PREDICTED, t), side === 'lower' ? '−' : '+', reach))
      },
      whyNone: transform ? noWay() : null,
    }),
  ]

  function whyNone(t: number): string {
    return run.value(values, t) === null
      ? 'This period has no value to compare with.'
      : 'The differences take this value: nothing before it predicts it.'
  }
}

function surprisesOf({ scaled: { values, predicted } }: ArimaForecast): Value[] {
  return values.map((value, i) =>
    value === null || predicted[i] === null ? null : value - predicted[i]!,
  )
}

/**
 * A prediction down to the values and surprises before it: with the differences undone, φ(B)Φ(B^m)(1−B)^d(1−B^m)^D makes it a
 * weighted sum of values, θ(B)Θ(B^m) one of surprises, and mean or drift add a constant.
 *
 * What the filter still adds is what is not settled of the start: much in the first periods, all but nothing later. Where a value
 * of the sum is missing there is no such sum, and the filter's figure stands for itself.
 */
function predictionArithmetic(
  run: Run,
  { scaled, coefficients, beta, constant, order }: ArimaForecast,
  values: string,
): (t: number) => Expression {
  const m = run.calendar.seasons
  const { phi, theta } = expanded(coefficients, m)
  const past = together(phi, differencing(order, m))
  const valueAt = (t: number): Value =>
    t > run.lastT ? scaled.forecast[t - run.lastT - 1]! : (scaled.values[t - run.firstT] ?? null)
  const predictedAt = (t: number): Value =>
    t > run.lastT ? scaled.forecast[t - run.lastT - 1]! : (scaled.predicted[t - run.firstT] ?? null)
  const surpriseAt = (t: number): Value => {
    if (t > run.lastT) return null
    const [value, predicted] = [valueAt(t), predictedAt(t)]
    return value === null || predicted === null ? null : value - predicted
  }
  // Of a mean the same in every period, of a drift too: what is left of the column once it is differenced and filtered.
  const column = (t: number) => (constant === 'mean' ? 1 : t)
  const constantAt = (t: number) =>
    constant === 'none'
      ? 0
      : beta[0]! * past.reduce((sum, weight, k) => sum - weight * column(t - 1 - k), column(t))
  return (t) => {
    const whole = predictedAt(t)!
    const terms: { readonly expression: Expression; readonly value: number }[] = []
    for (const [k, weight] of past.entries()) {
      if (weight === 0) continue
      const at = t - 1 - k
      const value = at < run.firstT ? null : valueAt(at)
      if (value === null) return figureOf('by the filter, over a gap or the start', whole)
      const cell = run.cell(at > run.lastT ? PREDICTED : values, at)
      terms.push({ expression: weighted(weight, cell), value: weight * value })
    }
    for (const [k, weight] of theta.entries()) {
      const at = t - 1 - k
      const surprise = weight === 0 || at < run.firstT ? null : surpriseAt(at)
      if (surprise === null) continue
      terms.push({
        expression: weighted(weight, run.cell(SURPRISE, at)),
        value: weight * surprise,
      })
    }
    const own = constantAt(t)
    if (constant !== 'none') {
      const symbol = constant === 'mean' ? 'constant of the mean' : 'constant of the drift'
      terms.push({ expression: figureOf(symbol, own), value: own })
    }
    const rest = whole - terms.reduce((sum, { value }) => sum + value, 0)
    const start = figureOf('what is left of the start', rest)
    const [first, ...others] = terms.map(({ expression }) => expression)
    if (!first) return start
    const sum = others.reduce((left, right) => operation(left, '+', right), first)
    return isNothing(rest, whole) ? sum : operation(sum, '+', start)
  }
}

/** What is left of the start is rounding. */
const NOTHING = 1e-9
function isNothing(rest: number, whole: number): boolean {
  return Math.abs(rest) <= NOTHING * Math.max(1e-300, Math.abs(whole))
}

function weighted(weight: number, cell: Expression): Expression {
  return weight === 1 ? cell : operation(figureOf('weight', weight), '×', cell)
}

/** The weights of the values before, of φ and of the differences at once: 1 − (1 − Σ φB)(1 − Σ δB). */
function together(phi: Float64Array, delta: Float64Array): number[] {
  const all = new Array<number>(phi.length + delta.length).fill(0)
  phi.forEach((own, i) => (all[i]! += own))
  delta.forEach((own, i) => (all[i]! += own))
  phi.forEach((a, i) => delta.forEach((b, j) => (all[i + j + 1]! -= a * b)))
  return all
}
