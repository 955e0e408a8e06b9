import type { Component, Mark } from '~~/core/column/column'
import { calendarOfResult, startOfResult } from '~~/core/ledger/calendarOfResult'
import { periodsAcross } from '~~/core/picture/drawn/across'
import type { Drawn } from '~~/core/picture/drawn/drawn'
import { layer, type Strip } from '~~/core/picture/strips'
import type { Result } from '~~/core/result'
import type { DisplayScale } from '~~/core/words/displayScale'
import type { SmallLine } from '../figures/SmallPicture.vue'
import type { ComparedPicture } from './pictures'

/** How each line of a small picture is drawn where there is room, and what it is called. */
const DRAWN: Readonly<Record<SmallLine['kind'], readonly [string, Component, Mark]>> = {
  sales: ['', 'original', 'line-thin'],
  trendCycle: ['trend-cycle', 'trendCycle', 'line-thick'],
  season: ['season', 'season', 'line-thin'],
  irregular: ['left over', 'irregular', 'line-thin'],
  deseasonalized: ['deseasonalized', 'deseasonalized', 'line-thin'],
  fit: ['fit', 'trendCycle', 'line-dashed'],
  forecast: ['forecast', 'forecast', 'line-dashed'],
  limit: ['limits', 'forecast', 'line-thin'],
  member1: ['one of its methods', 'deseasonalized', 'line-dotted'],
  member2: ['', 'irregular', 'line-dotted'],
  member3: ['', 'season', 'line-dotted'],
}

/** One picture of every compared method, one above the other on one scale. */
export function drawnComparison(
  { title, measure, bounds, axis, lines }: ComparedPicture,
  results: readonly Result[],
  titles: readonly string[],
  scale: DisplayScale,
): Drawn {
  const [first] = results as readonly [Result, ...Result[]]
  const lastT = Math.max(...results.map(({ columns }) => columns.t.at(-1)!))
  const strips = lines.map((own, i): Strip => ({
    ...{ id: `compared:${i}`, title: titles[i]!, share: 1, fixed: bounds },
    unit: measure === 'factor' ? 'factor' : scale.unit,
    measure: measure === 'factor' ? 'factor' : 'level',
    baseline: bounds.low < 0 && bounds.high > 0 ? 0 : null,
    layers: own.map(({ kind, values }, j) => {
      const [name, component, mark] = DRAWN[kind]
      const isFirst = own.findIndex((other) => other.kind === kind) === j
      const label = kind === 'sales' ? first.series.noun : name
      const points = values.map((y, k) => ({ x: axis.from + k, y }))
      return layer(isFirst ? label : '', component, mark, points)
    }),
  }))
  const series = { calendar: calendarOfResult(first), start: startOfResult(first) }
  return { strips, subtitle: title, across: periodsAcross(series, axis, lastT) }
}
