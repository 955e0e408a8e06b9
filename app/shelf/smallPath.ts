import { perPixel } from '~~/core/picture/draw/perPixel'
import type { Value } from '~~/core/series/series'

/** Room above and below the line for its stroke. */
const MARGIN = 2

/** How a small chart is laid out beyond its size. */
export interface SmallScale {
  /** Vertical range; that of the values when left out. */
  readonly low?: number
  readonly high?: number
  /** Points stand in the middle of equal columns, as on an axis, not from edge to edge. */
  readonly columns?: boolean
}

/**
 * The path of a line chart without axes; the line breaks at missing values, and a value between
 * two gaps is a dot.
 *
 * @param width in pixels
 * @param height in pixels
 */
export function smallPath(
  values: readonly Value[],
  width: number,
  height: number,
  scale: SmallScale = {},
): string {
  const present = values.filter((value) => value !== null)
  const low = scale.low ?? Math.min(...present)
  const span = (scale.high ?? Math.max(...present)) - low || 1
  const step = scale.columns
    ? width / values.length
    : (width - 2 * MARGIN) / (values.length - 1 || 1)
  const start = scale.columns ? step / 2 : MARGIN
  let drawing = false
  // Of more values than pixels only what can be seen is written down.
  const points = perPixel(
    values.map((y, x) => ({ x, y })),
    { from: -0.5, to: values.length - 0.5, width },
  )
  return points
    .map(({ x: i, y: value }, place) => {
      if (value === null) {
        drawing = false
        return ''
      }
      const x = start + i * step
      const y = height - MARGIN - ((value - low) / span) * (height - 2 * MARGIN)
      const point = `${x.toFixed(1)} ${y.toFixed(1)}`
      const alone = !drawing && (points[place + 1]?.y ?? null) === null
      const command = drawing ? `L${point}` : `M${point}${alone ? 'h0.1' : ''}`
      drawing = true
      return command
    })
    .join('')
}
