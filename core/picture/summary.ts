import type { DisplayScale } from '../words/displayScale'
import type { ReadersFigures } from '../words/readersFigures'
import type { Layer, Strip } from './strips'

/** Lines that are put into words; more would be no summary. */
const MOST = 4

/** How a figure of a strip is written: per cent with its sign, levels on the scale of the series. */
export function figureLabel(
  { measure }: Pick<Strip, 'measure'>,
  scale: DisplayScale,
  value: number,
  says: ReadersFigures,
): string {
  switch (measure) {
    case 'factor':
    case 'share':
    case 'number':
      return says.decimals(value, 3)
    case 'percent':
      return `${says.decimals(value, 1)}%`
    default:
      return says.decimals(value / scale.divisor, scale.decimals)
  }
}

/** What a summary is written with. */
export interface SummaryTold {
  readonly scale: DisplayScale
  readonly says: ReadersFigures
  /** What a place on the axis is called. */
  nameAt(x: number): string
}

/**
 * What a strip shows, in words for those who do not see it: of every named line where it begins and ends, its
 * lowest and its highest figure.
 *
 * @example `Sales in thousand litres. sales: 20.1 in Jan 2016 to 48.2 in Dec 2025, lowest 17.9 in Jan 2017, highest 61.0 in May 2025.`
 */
export function stripSummary(strip: Strip, told: SummaryTold): string {
  const named = strip.layers.filter(({ label }) => label !== '')
  const lines = named
    .slice(0, MOST)
    .map((layer) => `${layer.label}${lineWords(layer, strip, told)}`)
  const more = named.length > MOST ? ` And ${named.length - MOST} more.` : ''
  return `${strip.title} in ${strip.unit}. ${lines.join('. ')}.${more}`
}

function lineWords(layer: Layer, strip: Strip, { scale, says, nameAt }: SummaryTold): string {
  if (layer.kind !== 'series') return ''
  const points = layer.points.flatMap(({ x, y }) => (y === null ? [] : [{ x, y }]))
  const [first, last] = [points[0], points.at(-1)]
  if (!first || !last) return ': no figures'
  const words = ({ x, y }: { x: number; y: number }) =>
    `${figureLabel(strip, scale, y, says)} in ${nameAt(Math.round(x))}`
  const low = points.reduce((a, b) => (b.y < a.y ? b : a))
  const high = points.reduce((a, b) => (b.y > a.y ? b : a))
  return `: ${words(first)} to ${words(last)}, lowest ${words(low)}, highest ${words(high)}`
}
