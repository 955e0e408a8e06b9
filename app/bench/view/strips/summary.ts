import type { DisplayScale } from '~~/core/words/displayScale'
import { figureLabel } from './stripChart'
import type { Layer, Strip } from '~~/core/picture/strips'

/** Lines that are put into words; more would be no summary. */
const MOST = 4

/**
 * What a strip shows, in words for those who do not see it: of every named line where it begins and ends, its
 * lowest and its highest figure.
 *
 * @param nameAt what a place on the axis is called
 * @example `Sales in thousand litres. sales: 20.1 in Jan 2016 to 48.2 in Dec 2025, lowest 17.9 in Jan 2017, highest 61.0 in May 2025.`
 */
export function stripSummary(
  strip: Strip,
  scale: DisplayScale,
  nameAt: (x: number) => string,
): string {
  const named = strip.layers.filter(({ label }) => label !== '')
  const lines = named
    .slice(0, MOST)
    .map((layer) => `${layer.label}${lineWords(layer, strip, scale, nameAt)}`)
  const more = named.length > MOST ? ` And ${named.length - MOST} more.` : ''
  return `${strip.title} in ${strip.unit}. ${lines.join('. ')}.${more}`
}

function lineWords(
  layer: Layer,
  strip: Strip,
  scale: DisplayScale,
  nameAt: (x: number) => string,
): string {
  if (layer.kind !== 'series') return ''
  const points = layer.points.flatMap(({ x, y }) => (y === null ? [] : [{ x, y }]))
  const [first, last] = [points[0], points.at(-1)]
  if (!first || !last) return ': no figures'
  const words = ({ x, y }: { x: number; y: number }) =>
    `${figureLabel(strip, scale, y)} in ${nameAt(Math.round(x))}`
  const low = points.reduce((a, b) => (b.y < a.y ? b : a))
  const high = points.reduce((a, b) => (b.y > a.y ? b : a))
  return `: ${words(first)} to ${words(last)}, lowest ${words(low)}, highest ${words(high)}`
}
