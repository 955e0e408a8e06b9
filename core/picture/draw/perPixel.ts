import type { Point } from '../strips'
import { columnWidth, xOf, type TimeAxis } from './timeAxis'

/** Periods that are this wide, in pixels, are few enough to be drawn one by one. */
const DRAWN_ONE_BY_ONE = 0.5

/**
 * Points of which many share a column of pixels, as few as look the same: of each column the first, the lowest, the highest
 * and the last. A column without any value breaks a line as before.
 *
 * @param points in the order of time
 * @returns the points themselves where there is room for each
 * @example of a thousand points on one pixel, four at the most
 */
export function perPixel(points: readonly Point[], axis: TimeAxis): readonly Point[] {
  if (columnWidth(axis) > DRAWN_ONE_BY_ONE) return points
  const shown: Point[] = []
  let begun = 0
  for (let i = 1; i <= points.length; i++) {
    if (i < points.length && pixelOf(axis, points[i]!) === pixelOf(axis, points[begun]!)) continue
    shown.push(...outlineOf(points.slice(begun, i)))
    begun = i
  }
  return shown
}

function pixelOf(axis: TimeAxis, { x }: Point): number {
  return Math.floor(xOf(axis, x))
}

function outlineOf(points: readonly Point[]): Point[] {
  const there = points.filter(({ y }) => y !== null)
  if (there.length < 3) return there.length === 0 ? points.slice(0, 1) : there
  let [low, high] = [there[0]!, there[0]!]
  for (const point of there) {
    if (point.y! < low.y!) low = point
    if (point.y! > high.y!) high = point
  }
  const kept = new Set([there[0]!, low, high, there.at(-1)!])
  return [...kept].sort((a, b) => a.x - b.x)
}
