import { predictionArithmetic, surprisesOf } from '../../arima/arithmetic'
import { declare, type Column } from '../../column/column'
import { operation } from '../../column/expression'
import type { Run } from '../../column/run'
import { arimaColumns } from '../../stateSpace/arima/columns'
import type { Value } from '../../series/series'
import { notFitted, trendColumn, trended, type TrendColumns } from '../trendColumn'
import type { ArimaTrendReport } from './report'

const SURPRISE = 'trendSurprise'

/** What every prediction missed, and the trend itself: predictions in the past, forecasts ahead. */
export function arimaTrendColumns(run: Run, parts: TrendColumns<ArimaTrendReport>): Column[] {
  const { model, first, from } = parts.fit
  const of = trended(run)
  const ahead = parts.ahead ?? []
  const trendAt = (t: number): Value =>
    t < from ? null : (run.columns.trend[t - run.firstT] ?? null)
  const values = run.hasSeason ? run.columns.deseasonalized : run.input.values
  const prediction = predictionArithmetic(run, {
    ...model,
    columns: arimaColumns(model.constant, [], {
      ...{ length: run.lastT - first + 1, firstT: first, horizon: ahead.length },
    }),
    ...{ from: first, of, predicted: 'trend', surprise: SURPRISE },
    valueAt: (t) => values[t - run.firstT] ?? null,
    predictedAt: (t) => (t > run.lastT ? ahead[t - run.lastT - 1]! : trendAt(t)),
  })
  const predicted = run.columns.t.map(trendAt)
  return [
    declare(run.unit, {
      name: SURPRISE,
      label: 'Surprise of the trend',
      symbol: 'surprise',
      means: 'what the trend missed',
      measure: 'difference',
      ...{ component: 'irregular', mark: 'stems', stages: parts.stages },
      actual: surprisesOf(values, predicted),
      arithmetic: (t) => operation(run.cell(of, t), '−', run.cell('trend', t)),
      whyUndefined: notFitted(run),
    }),
    trendColumn(run, parts, { means: 'one step ahead', arithmetic: prediction }),
  ]
}
