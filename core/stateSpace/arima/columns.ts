import type { ArimaColumn } from './likelihood'
import type { ArimaConstant } from './order'

/** A column that is known of the span and ahead of it. */
export interface KnownColumn {
  readonly name: string
  /** One a period of the span. */
  readonly values: readonly number[]
  /** One a forecast period. */
  readonly future: readonly number[]
}

/**
 * The columns that are taken out by regression: the mean or the drift, where the model has one, then what is known beside.
 *
 * @param length of the span, in periods
 * @param firstT time code of its first period: a drift runs along the time code, which is not renumbered
 */
export function arimaColumns(
  constant: ArimaConstant,
  beside: readonly KnownColumn[],
  { length, firstT, horizon }: { length: number; firstT: number; horizon: number },
): KnownColumn[] {
  const own = (at: (t: number) => number): KnownColumn => ({
    name: constant,
    values: Array.from({ length }, (_, i) => at(firstT + i)),
    future: Array.from({ length: horizon }, (_, i) => at(firstT + length + i)),
  })
  if (constant === 'none') return [...beside]
  return [own(constant === 'mean' ? () => 1 : (t) => t), ...beside]
}

/** The same as the estimation takes them. */
export function ofTheSpan(columns: readonly KnownColumn[]): ArimaColumn[] {
  return columns.map(({ name, values }) => ({ name, values }))
}
