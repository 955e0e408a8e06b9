import type { Component, Mark } from '../column/column'
import { MODEL } from '../model'
import type { Result } from '../result'
import type { Value } from '../series/series'
import { pointsOf } from './salesLayers'
import type { PinnedResult } from './sources'
import { layer, type Layer, type Point } from './strips'

const GHOST = 0.38
const COMPARED = 0.75
/** Compared methods are told apart by their lines. */
const COMPARED_MARKS: readonly Mark[] = ['line-dotted', 'line-thin', 'line-thick', 'line-dashed']

/**
 * The components of the pinned result, pale, on the scale of the present model: what its season makes of its
 * trend-cycle, and what it leaves over, as a share or as an amount.
 */
export function ghostLayers(ghost: PinnedResult | null, present: Result) {
  const model = MODEL[present.method.decompose.model]
  const pale = (mark: Mark, component: Component, points: readonly Point[]): Layer[] => [
    { ...layer(ghost!.how, component, mark, points), opacity: GHOST },
  ]
  if (!ghost) return { trendCycle: [], season: [], irregular: [], deseasonalized: [] }
  const { result } = ghost
  const { columns } = result
  const against = (of: readonly Value[], from: readonly Value[]) =>
    of.map((value, i) =>
      value === null || from[i] === null ? null : model.takeOut(value, from[i]!),
    )
  const across = (values: readonly Value[]) => pointsOf(result, values)
  return {
    trendCycle: pale('line-thick', 'trendCycle', across(columns.trendCycle)),
    season: pale('line-thin', 'season', across(against(columns.recomposed, columns.trendCycle))),
    irregular: pale('line-thin', 'irregular', across(against(columns.value, columns.recomposed))),
    deseasonalized: pale('line-thick', 'deseasonalized', across(columns.deseasonalized)),
  }
}

/**
 * Fit and forecast of every pinned method as one line, and its widest limits as a thin line on either side:
 * methods are judged by eye on the strip of the actual values.
 */
export function comparedLayers(pinned: readonly PinnedResult[]): Layer[] {
  return pinned.flatMap(({ how, name, result }, i) => {
    const { columns, forecast, method } = result
    const mark = COMPARED_MARKS[i % COMPARED_MARKS.length]!
    const ahead = (values: readonly Value[]) => values.map((y, k) => ({ x: forecast.t[k]!, y }))
    const line = (label: string, points: readonly Point[], own: Mark, opacity: number) => ({
      ...layer(label, 'forecast', own, points),
      opacity,
    })
    const limits = forecast.limits[Math.max(...method.forecast.levels)]
    return [
      line(
        `${how}: ${name}`,
        [...pointsOf(result, columns.fitted), ...ahead(forecast.forecast)],
        mark,
        COMPARED,
      ),
      ...(limits
        ? [
            line('', ahead(limits.lower), 'line-thin', GHOST),
            line('', ahead(limits.upper), 'line-thin', GHOST),
          ]
        : []),
    ]
  })
}
