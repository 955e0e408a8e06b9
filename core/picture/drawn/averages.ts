import type { Looked, Result } from '../../result'
import { calendarOfResult, startOfResult } from '../../ledger/calendarOfResult'
import { averageName, smoothBy } from '../../smoothing/averageKinds'
import { ordersFor } from '../../smoothing/ordersFor'
import { displayScale } from '../../words/displayScale'
import { pointsOf } from '../salesLayers'
import { layer, type Strip } from '../strips'
import { periodsAcross } from './across'
import type { Drawn } from './drawn'

/** The values with a centred average of every usual order, one above the other on one scale. */
export function averagesPicture(result: Looked | Result): Drawn {
  const calendar = calendarOfResult(result)
  const { value: values, t } = result.columns
  const present = values.filter((y) => y !== null)
  const { unit } = displayScale(values, result.series.unit)
  const fixed = { low: Math.min(...present), high: Math.max(...present) }
  const orders = ordersFor(calendar.seasons).filter((order) => order > 1 && order <= values.length)
  return {
    strips: orders.map((order): Strip => {
      const kind = { kind: 'centred', order } as const
      const smoothed = smoothBy(values, kind, calendar.seasons)
      return {
        ...{ id: `average:${order}`, title: averageName(kind), unit, share: 1, baseline: null },
        ...{ measure: 'level', fixed },
        layers: [
          layer(result.series.noun, 'original', 'line-thin', pointsOf(result, values)),
          layer('average', 'trendCycle', 'line-thick', pointsOf(result, smoothed.values)),
        ],
      }
    }),
    subtitle: 'Averages of the usual orders',
    across: periodsAcross(
      { calendar, start: startOfResult(result) },
      { from: t[0]!, to: t.at(-1)! },
      t.at(-1)!,
    ),
  }
}
