import { decimalsApart, valueMarks, type ValueMarks } from '../../core/picture/draw/valueMarks'
import { rangeOfStrip, type Strip } from '../../core/picture/strips'
import type { DisplayScale } from '../../core/words/displayScale'
import type { ReadersFigures } from '../../core/words/readersFigures'
import type { PictureLook } from './look'

/** Share of its range that a scale is wider than its figures, at either end. */
const ROOM = 0.04

interface Range {
  readonly low: number
  readonly high: number
}

/**
 * The scale of every strip: its own range and a little room, or what strips that are counted alike have together, or the ends
 * that were set by hand for the first.
 *
 * @returns one range a strip, in units of the strip
 */
export function scalesOf(
  strips: readonly Strip[],
  { scale, isEqual = false }: Pick<PictureLook, 'scale' | 'isEqual'>,
  shown: DisplayScale,
): readonly Range[] {
  const own = strips.map((strip) => strip.fixed ?? rangeOfStrip(strip) ?? { low: 0, high: 1 })
  return strips.map((strip, i) => {
    const alike = strips.flatMap((other, j) => (isAlike(strip, other) ? [own[j]!] : []))
    const range = isEqual ? unionOf(alike) : own[i]!
    const wide = strip.fixed && !isEqual ? range : widened(range)
    return i === 0 ? setByHand(wide, strip, scale, shown) : wide
  })
}

function isAlike(a: Strip, b: Strip): boolean {
  return a.measure === b.measure && a.unit === b.unit
}

function unionOf(ranges: readonly Range[]): Range {
  return {
    low: Math.min(...ranges.map(({ low }) => low)),
    high: Math.max(...ranges.map(({ high }) => high)),
  }
}

function widened({ low, high }: Range): Range {
  const room = ROOM * (high > low ? high - low : Math.abs(high) || 1)
  return { low: low - room, high: high + room }
}

/** Ends that leave nothing between them are not taken. */
function setByHand(
  range: Range,
  strip: Strip,
  scale: PictureLook['scale'],
  shown: DisplayScale,
): Range {
  const divisor = divisorOf(strip, shown)
  const low = scale?.low === undefined || scale.low === null ? range.low : scale.low * divisor
  const high = scale?.high === undefined || scale.high === null ? range.high : scale.high * divisor
  return high > low ? { low, high } : range
}

/** What figures beside a strip are divided by. */
export function divisorOf({ measure }: Pick<Strip, 'measure'>, shown: DisplayScale): number {
  return measure === 'level' || measure === 'difference' ? shown.divisor : 1
}

/** The marks within a range: two at the least, or none would tell its size. */
export function marksWithin(range: Range, most: number): ValueMarks {
  const tried = [0, 1, 2, 4].map((more) => valueMarks(range, most + more, true))
  return tried.find(({ at }) => at.length >= 2) ?? tried.at(-1)!
}

/** A figure of the vertical scale, with as many decimals as tell it from its neighbours. */
export function figureAt(
  strip: Strip,
  { at }: ValueMarks,
  value: number,
  { scale, says }: { readonly scale: DisplayScale; readonly says: ReadersFigures },
): string {
  const divisor = divisorOf(strip, scale)
  const apart = at.length > 1 ? (at[1]! - at[0]!) / divisor : 1
  return (
    says.decimals(value / divisor, Math.min(8, decimalsApart(apart))) +
    (strip.measure === 'percent' ? '%' : '')
  )
}
