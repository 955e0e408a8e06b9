import type { Cell } from '../cell'
import type { Expression } from '../expression'
import type { Addresses } from './kind'

/** Terms that follow each other and are the same arithmetic a period later. */
interface Run {
  readonly first: Expression
  readonly length: number
}

/**
 * The sum of terms as a formula: those that are the same arithmetic period after period are one term over ranges.
 *
 * @param terms in the order of time
 * @returns null where one of them is no formula
 * @example the squares of 60 residuals: SUMPRODUCT(POWER(Ledger!J2:J61,2))
 */
export function sumOverPeriods(
  terms: readonly Expression[],
  formulaOf: (part: Expression, at?: Addresses) => string | null,
  at: Addresses,
): string | null {
  const sums = runsOf(terms, formulaOf, at).map(({ first, length }) => {
    if (length === 1) return formulaOf(first)
    const over = formulaOf(first, {
      ...at,
      cell: (cell) => at.range(cell, { ...cell, t: cell.t + length - 1 }),
    })
    return over && `SUMPRODUCT(${over})`
  })
  return sums.every((sum) => sum !== null) ? sums.join('+') : null
}

function runsOf(
  terms: readonly Expression[],
  formulaOf: (part: Expression, at?: Addresses) => string | null,
  at: Addresses,
): Run[] {
  const runs: { first: Expression; length: number; shape: string | null; lastT: number }[] = []
  for (const first of terms) {
    let own: number | null = null
    // Addresses counted from its own first cell are the same for every term of a run.
    const apart = ({ column, t }: Cell) => {
      own ??= t
      return `[${column} ${t - own}]`
    }
    const shape = formulaOf(first, { ...at, cell: apart })
    const lastT = own ?? NaN
    const run = runs.at(-1)
    if (run && shape !== null && run.shape === shape && lastT === run.lastT + 1) {
      run.length += 1
      run.lastT = lastT
    } else runs.push({ first, length: 1, shape, lastT })
  }
  return runs
}
