import { predictionArithmetic, surprisesOf, varianceArithmetic } from '../../arima/arithmetic'
import { declare, type Column } from '../../column/column'
import { figureOf, operation, parameterOf, type Expression } from '../../column/expression'
import type { Run } from '../../column/run'
import { noWayBack } from '../beyondNumbers'
import { fittedColumns, limitColumns } from '../columns'
import { backExpression, meanOverArithmetic, transformedColumn } from '../powerColumns'
import type { ForecastParts } from '../way'
import type { ArimaForecast } from './calculate'
import type { ArimaOptions } from './options'

type Parts = ForecastParts<ArimaOptions, ArimaForecast>

const PREDICTED = 'predicted'
const SURPRISE = 'surprise'
const VARIANCE = 'variance'
const GROUP = { name: 'arima', label: 'of the model' } as const

/** Predictions and surprises on the scale of the model, fitted values, the forecast and its limits. */
export function columnsOfArima(run: Run, parts: Parts): Column[] {
  const { options, ahead } = parts
  const { transform, scaled, factors, interval } = ahead
  const values = transform ? 'transformed' : run.input.column
  const back = (z: Expression) => (transform ? backExpression(z, transform.lambda) : z)
  const noWay = () => noWayBack(transform?.lambda ?? 0)
  const measure = transform ? ('number' as const) : ('level' as const)
  const prediction = predictionArithmetic(run, {
    ...ahead,
    ...{ columns: ahead.known, from: run.firstT, of: values },
    ...{ predicted: PREDICTED, surprise: SURPRISE },
    valueAt: (t) => scaled.values[t - run.firstT] ?? null,
    predictedAt: (t) =>
      t > run.lastT
        ? scaled.forecast[t - run.lastT - 1]!
        : (scaled.predicted[t - run.firstT] ?? null),
  })
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
      actual: surprisesOf(scaled.values, scaled.predicted),
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
        const z = prediction(t)
        const over = scaled.meanOver?.[t - run.lastT - 1]
        if (over === undefined || !transform) return back(z)
        const made = meanOverArithmetic(run.cell(PREDICTED, t), spreadAt(t), transform.lambda)
        return operation(back(z), '×', figureOf('mean ÷ median', over, made))
      },
    }),
    declare(run.unit, {
      name: VARIANCE,
      label: 'Variance ahead',
      symbol: 'variance',
      means: 'Σψ², in squares of σ',
      measure: 'number',
      ...{ component: 'forecast', mark: 'dots', group: GROUP, stages: ['project'] },
      ahead: factors,
      arithmetic: varianceArithmetic(run, ahead, VARIANCE, factors),
    }),
    ...limitColumns(run, options, ahead, {
      explains: 'prediction limit by the variance of the filter',
      arithmetic: (level, side, t) => {
        const quantile = figureOf(`z(${level}%)`, interval.quantiles[level]!, {
          kind: 'normal-quantile',
          level,
        })
        const reach = operation(quantile, '×', spreadAt(t))
        return back(operation(run.cell(PREDICTED, t), side === 'lower' ? '−' : '+', reach))
      },
      whyNone: transform ? noWay() : null,
    }),
  ]

  /** The standard error of a forecast, on the scale of the model. */
  function spreadAt(t: number): Expression {
    return operation(parameterOf('σ', interval.s), '×', { kind: 'root', of: run.cell(VARIANCE, t) })
  }

  function whyNone(t: number): string {
    return run.value(values, t) === null
      ? 'This period has no value to compare with.'
      : 'The differences take this value: nothing before it predicts it.'
  }
}

/** Without seasonal terms its level is the last value that is known. */
export function levelOfArima(run: Run): Expression {
  const at = run.input.values.findLastIndex((value) => value !== null)
  return run.cell(run.input.column, run.firstT + at)
}
