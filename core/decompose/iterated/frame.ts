import { MODEL, type Model, type ModelTerms } from '../../model'
import type { Period } from '../../calendar/period'
import type { Value } from '../../series/series'

/** What every step of the procedure knows of the series: where it lies in time, its model, and what counts as rounding. */
export interface Frame {
  /** m: 4 or 12. */
  readonly seasons: number
  readonly model: Model
  readonly terms: ModelTerms
  /** Calendar year and season of the first entry. */
  readonly start: Period
  /** Periods that came; what stands behind them was appended. */
  readonly n: number
  /** What a spread is measured against: 1, or of an additive model the mean size of the values. */
  readonly size: number
}

/** @param values that came, without what is appended */
export function frameOf(
  model: Model,
  {
    seasons,
    start,
    values,
  }: { readonly seasons: number; readonly start: Period; readonly values: readonly number[] },
): Frame {
  const total = values.reduce((sum, value) => sum + Math.abs(value), 0)
  const size = model === 'multiplicative' ? 1 : total / values.length
  return { seasons, model, terms: MODEL[model], start, n: values.length, size }
}

/** Season of an entry, 1 to m. */
export function seasonAt(
  { start, seasons }: Pick<Frame, 'seasons' | 'start'>,
  entry: number,
): number {
  return ((start.season - 1 + entry) % seasons) + 1
}

/** Calendar year that an entry lies in. */
export function yearAt(
  { start, seasons }: Pick<Frame, 'seasons' | 'start'>,
  entry: number,
): number {
  return start.cycle + Math.floor((start.season - 1 + entry) / seasons)
}

const ROUNDING = 1e-12

/** Whether a spread or a mean change is rounding: no decision is made from it. */
export function vanishes({ size }: Pick<Frame, 'size'>, spread: number): boolean {
  return spread <= ROUNDING * size
}

/** One list less another, entry by entry; undefined where either is. */
export function less({ terms }: Frame, a: readonly Value[], b: readonly Value[]): Value[] {
  return a.map((value, i) => {
    const other = b[i] ?? null
    return value === null || other === null ? null : terms.takeOut(value, other)
  })
}

/** The same of lists without gaps. */
export function lessAll({ terms }: Frame, a: readonly number[], b: readonly number[]): number[] {
  return a.map((value, i) => terms.takeOut(value, b[i]!))
}

/** By how much a value changed: as a share, or of an additive model as an amount. */
export function changeOf({ model }: Pick<Frame, 'model'>, now: number, before: number): number {
  return model === 'multiplicative' ? Math.abs(now / before - 1) : Math.abs(now - before)
}

/** First and last entry of a list that are there. */
export function spanOf(values: readonly Value[]): { readonly a: number; readonly b: number } {
  return {
    a: values.findIndex((value) => value !== null),
    b: values.findLastIndex((value) => value !== null),
  }
}
