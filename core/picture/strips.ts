import type { Component, Mark, Measure } from '../column/column'
import type { Value } from '../series/series'

/** A value at a time code. */
export interface Point {
  readonly x: number
  readonly y: Value
}

/** One component in a strip. */
export type Layer =
  | {
      readonly kind: 'series'
      /** Empty for what another layer's name speaks for. */
      readonly label: string
      readonly component: Component
      readonly mark: Mark
      readonly points: readonly Point[]
      /** Time codes from here on are drawn paler: they are forecast. */
      readonly paleFrom?: number
      /** Of the line, from 0 to 1; 1 when left out. */
      readonly opacity?: number
      /** Whether the pointer reads no value off it: one of many alike. */
      readonly unread?: boolean
      /** Said at the line itself, such as its equation: the first of these that there is room for. */
      readonly notes?: readonly string[]
    }
  | {
      readonly kind: 'band'
      readonly label: string
      readonly lower: readonly Point[]
      readonly upper: readonly Point[]
    }
  /** Distances between neighbours, written between them. */
  | {
      readonly kind: 'gaps'
      readonly label: string
      /** Above the points, or below them. */
      readonly side: 'above' | 'below'
      readonly gaps: readonly { readonly from: Point; readonly to: Point; readonly text: string }[]
    }

/** One chart of the stack. */
export interface Strip {
  readonly id: string
  readonly title: string
  readonly unit: string
  /** Share of the height of all strips. */
  readonly share: number
  readonly layers: readonly Layer[]
  /** Where bars and stems begin. */
  readonly baseline: number | null
  /** Said in place of the layers' names, where there are too many to name. */
  readonly legend?: string
  /** What its figures are: it decides how the scale is written, and what a pixel stands for. */
  readonly measure: Measure
  /** What it spans, in words, where strips are compared. */
  readonly spans?: string
  /** Whether its height says nothing: it has no figures beside it. */
  readonly isBare?: boolean
  /** The vertical scale, where all strips share one; its own range when left out. */
  readonly fixed?: { readonly low: number; readonly high: number }
}

/** Share of the range that is kept free above and below for distances. */
const ROOM_FOR_GAPS = 0.09

/**
 * Lowest and highest figure of a strip; null when it has none. What was replaced does not count: one slip of a
 * digit would flatten everything else.
 *
 * @param within the stretch of time that counts, in time codes; all of it when left out
 */
export function rangeOfStrip(
  { layers, baseline: base }: Strip,
  within: { readonly from: number; readonly to: number } = { from: -Infinity, to: Infinity },
): { low: number; high: number } | null {
  let low = base ?? Infinity
  let high = base ?? -Infinity
  let hasFigure = false
  const reach = (points: readonly Point[]) => {
    for (const { x, y } of points) {
      if (y === null || x < within.from || x > within.to) continue
      hasFigure = true
      if (y < low) low = y
      if (y > high) high = y
    }
  }
  for (const layer of layers) {
    if (layer.kind === 'band') [layer.lower, layer.upper].forEach(reach)
    else if (layer.kind === 'series' && layer.mark !== 'dots') reach(layer.points)
  }
  if (!hasFigure) return null
  // Marks of turns, and the distances between them, stand beyond the values.
  const room = layers.some((layer) => layer.kind === 'gaps') ? ROOM_FOR_GAPS * (high - low) : 0
  return { low: low - room, high: high + room }
}

/** A layer of one component. */
export function layer(
  label: string,
  component: Component,
  mark: Mark,
  points: readonly Point[],
): Layer & { kind: 'series' } {
  return { kind: 'series', label, component, mark, points }
}
