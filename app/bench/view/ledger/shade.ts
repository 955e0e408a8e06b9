import type { Column, Component } from '~~/core/column/column'
import { faded, type Palette } from '~~/core/picture/draw/palette'
import type { Value } from '~~/core/series/series'

/** The lowest and highest figure of a row. */
export interface Range {
  readonly low: number
  readonly high: number
}

/** The range of a row's figures; null when it has none. */
export function rangeOf(values: readonly Value[]): Range | null {
  let low = Infinity
  let high = -Infinity
  for (const value of values) {
    if (value === null) continue
    if (value < low) low = value
    if (value > high) high = value
  }
  return low <= high ? { low, high } : null
}

const BELOW: Partial<Record<Component, keyof Palette>> = { season: 'seasonLow' }

/** A colour and how strongly it is laid on, from 0 to 1. */
export interface Shade {
  readonly colour: string
  readonly opacity: number
}

/**
 * The shade of a cell: for what is read against a baseline, the distance from it, above and below
 * in different hues; for a level, its height in the row.
 *
 * @param strength opacity of the furthest cell
 */
export function shadeOf(
  row: Column,
  value: number,
  range: Range,
  palette: Palette,
  strength: number,
): Shade {
  const { component, baseline } = row
  if (baseline === null) {
    const share = range.high > range.low ? (value - range.low) / (range.high - range.low) : 0.5
    return { colour: palette[component], opacity: strength * (0.12 + 0.88 * share) }
  }
  const most = Math.max(Math.abs(range.high - baseline), Math.abs(range.low - baseline)) || 1
  const hue = value < baseline ? (BELOW[component] ?? component) : component
  return { colour: palette[hue], opacity: (strength * Math.abs(value - baseline)) / most }
}

/** A shade as a style sheet writes it. */
export function cssShade({ colour, opacity }: Shade): string {
  return faded(colour, opacity)
}
