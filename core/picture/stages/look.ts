import type { Column } from '../../column/column'
import { isResult } from '../../ledger/ledger'
import type { Looked, Result } from '../../result'
import type { PeakSpacing } from '../../seasonality/peakSpacing'
import { capitalized } from '../../series/noun'
import { componentsOf, stripUnit } from '../components'
import { keptLayers, mainStrip, pointsOf, salesLayers } from '../salesLayers'
import type { StripSources } from '../sources'
import { layer, type Layer, type Point, type Strip } from '../strips'

/** The series as it is: turns with their distances, rolling figures, what is left without a trend. */
export function lookStrips(shown: Looked | Result, sources: StripSources): Strip[] {
  const { inspected, peaks, scale } = sources
  const drawn = (column: Column | null, label: string) =>
    column ? [layer(label, column.component, column.mark, pointsOf(shown, column.actual!))] : []
  const of = (kind: string) => inspected.find(({ beside }) => beside.kind === kind)?.column ?? null
  const rest = of('rest')
  const takenOut = of('taken-out')
  const mean = drawn(of('rolling-mean'), 'rolling mean')
  const deviation = of('rolling-deviation')
  const parts = isResult(shown) ? componentsOf(shown, sources) : null
  const strips = [
    mainStrip(capitalized(sources.noun), sources, [
      ...salesLayers(shown, sources),
      ...(parts?.withoutCalendar ?? []),
      // Only what is in the unit of the series has a place beside it.
      ...(takenOut?.measure === 'level' ? drawn(takenOut, 'trend taken out') : []),
      ...(rest ? [] : mean),
      ...keptLayers(sources),
      ...(parts?.forecast ?? []),
      ...(peaks ? turnLayers(shown, peaks) : []),
    ]),
    ...(parts?.calendar ?? []),
  ]
  if (rest) {
    strips.push({
      id: 'rest',
      title: rest.label,
      share: 2.2,
      unit: [stripUnit(rest, scale), rest.means].filter((words) => words !== '').join('; '),
      baseline: rest.baseline,
      measure: rest.measure,
      layers: [...drawn(rest, 'what is left'), ...mean],
    })
  }
  if (deviation) {
    strips.push({
      id: 'deviation',
      title: deviation.label,
      share: 1.4,
      unit: stripUnit(deviation, scale),
      baseline: null,
      measure: deviation.measure,
      layers: drawn(deviation, ''),
    })
  }
  return strips
}

function turnLayers({ columns }: Looked, { peaks, troughs }: PeakSpacing): Layer[] {
  const at = (places: readonly number[]): Point[] =>
    places.map((place) => ({ x: columns.t[place - 1]!, y: columns.value[place - 1]! }))
  const between = (points: readonly Point[]) =>
    points.slice(1).map((to, i) => {
      const from = points[i]!
      return { from, to, text: String(to.x - from.x) }
    })
  const [high, low] = [at(peaks), at(troughs)]
  return [
    layer('peak', 'season', 'peaks', high),
    layer('trough', 'season', 'troughs', low),
    { kind: 'gaps', label: '', side: 'above', gaps: between(high) },
    { kind: 'gaps', label: '', side: 'below', gaps: between(low) },
  ]
}
