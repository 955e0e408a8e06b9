import type { CellExpression, Expression } from '../column/expression'

/** One cell of a weighted sum. */
export interface WeightedCell {
  readonly t: number
  readonly value: number
  readonly weight: number
}

/**
 * The cells and weights of a sum of one row's cells, each times a weight; null of any other arithmetic.
 *
 * @example of 0.3 × sales (May) + 0.7 × sales (Jun): two cells, in the order of time
 */
export function weightedCells(expression: Expression): readonly WeightedCell[] | null {
  if (expression.kind !== 'average' || expression.how !== 'sum') return null
  const cells: { weight: number; of: CellExpression }[] = []
  for (const term of expression.terms) {
    if (term.kind !== 'operation' || term.operator !== '×') return null
    const { left, right } = term
    if (left.kind !== 'figure' || right.kind !== 'cell') return null
    cells.push({ weight: left.value, of: right })
  }
  const [first] = cells
  if (!first || cells.some(({ of }) => of.cell.column !== first.of.cell.column)) return null
  return cells
    .map(({ weight, of }) => ({ t: of.cell.t, value: of.value, weight }))
    .sort((a, b) => a.t - b.t)
}
