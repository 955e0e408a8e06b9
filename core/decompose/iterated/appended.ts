import type { Value } from '../../series/series'
import { figureOf, type Expression } from '../../column/expression'
import type { DecompositionRun } from '../way'
import type { IteratedTaken } from './calculate'
import type { IteratedOptions } from './options'

/** The row of what a series was carried on by. */
export const CARRIED_ON = 'carriedOn'

/** What the columns of iterated averages may know: of every step, its figures over all periods, appended ones included. */
export interface IteratedRun extends DecompositionRun<IteratedOptions, IteratedTaken> {
  /** Tells of the figures of a step. */
  tell(column: string, values: readonly Value[]): void
  /** A step at a period, as a part of an expression. */
  stepAt(column: string, t: number): Expression
  /** Periods that every step goes over. */
  readonly count: number
}

/**
 * A run in which the cells of what was appended can be found. Behind the last value an input is what it was carried on by; where
 * the ledger has no such cell, as beyond the last forecast period, the figure stands without one.
 */
export function withAppended(run: DecompositionRun<IteratedOptions, IteratedTaken>): IteratedRun {
  const { firstT, lastT, taken } = run
  const steps = new Map<string, readonly Value[]>()
  return {
    ...run,
    count: lastT - firstT + 1 + taken.extension.length,
    tell: (column, values) => void steps.set(column, values),
    stepAt: (column, t) => {
      if (t <= lastT || taken.extension.length === 0) return run.cell(column, t)
      const name = column === run.input.column ? CARRIED_ON : column
      if (run.value(name, t) !== null) return run.cell(name, t)
      const symbol = run.cell(name, lastT).symbol.replace(run.label(lastT), run.label(t))
      return figureOf(symbol, steps.get(name)![t - firstT]!)
    },
  }
}

/** Figures of a step as they stand in the ledger: over the analysed span, and over as much of the forecast as there is. */
export function inLedger(
  { firstT, lastT, endT, taken }: IteratedRun,
  values: readonly Value[],
): { readonly actual: readonly Value[]; readonly ahead?: readonly Value[] } {
  const count = lastT - firstT + 1
  if (taken.extension.length === 0) return { actual: values }
  const ahead = Array.from({ length: endT - lastT }, (_, k) => values[count + k] ?? null)
  return { actual: values.slice(0, count), ahead }
}
