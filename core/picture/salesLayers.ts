import type { Looked } from '../result'
import type { Value } from '../series/series'
import type { StripSources } from './sources'
import { layer, type Layer, type Point, type Strip } from './strips'

/** Values lie this pale where the method does not look at them. */
const OUTSIDE = 0.4

/** Figures of the analysed span as points. */
export function pointsOf({ columns }: Looked, values: readonly Value[]): Point[] {
  return values.map((y, i) => ({ x: columns.t[i]!, y }))
}

/**
 * The values, those that are not as they came in ringed, what came in in their place, and pale what lies
 * outside the analysed span.
 */
export function salesLayers(
  shown: Looked,
  { outside, noun }: Pick<StripSources, 'outside' | 'noun'>,
): Layer[] {
  const { columns } = shown
  const changed = columns.t.flatMap((x, i) =>
    columns.value[i] === columns.original[i]
      ? []
      : [{ x, used: columns.value[i]!, original: columns.original[i]! }],
  )
  const used = changed.map(({ x, used }) => ({ x, y: used }))
  const original = changed.map(({ x, original }) => ({ x, y: original }))
  const layers: Layer[] = [layer(noun, 'original', 'line-points', pointsOf(shown, columns.value))]
  if (outside.length > 0) {
    layers.push({
      ...layer('not analysed', 'original', 'line-thin', outside),
      opacity: OUTSIDE,
    })
  }
  if (changed.length > 0) layers.push(layer('adjusted or filled', 'original', 'rings', used))
  if (original.some(({ y }) => y !== null)) {
    layers.push({ ...layer('', 'original', 'dots', original), opacity: 0.45 })
  }
  return layers
}

/** Kept forecasts, thin, each under its name. */
export function keptLayers({ kept }: Pick<StripSources, 'kept'>): Layer[] {
  return kept.map(({ name, from, forecast }) =>
    layer(
      name,
      'forecast',
      'line-thin',
      forecast.map((y, i) => ({ x: from + i, y })),
    ),
  )
}

/** The strip that shows the series itself. */
export function mainStrip(
  title: string,
  { scale }: Pick<StripSources, 'scale'>,
  layers: readonly Layer[],
): Strip {
  return {
    id: 'main',
    title,
    share: 4,
    unit: scale.unit,
    baseline: null,
    measure: 'level',
    layers,
  }
}
