import { figureOf, operation, plain, type Expression } from '../column/expression'
import type { Difference } from '../stationarity/difference'
import type { GrowthKind } from './beside'

/** A cell of the column that a figure beside the ledger is made from, at a time code. */
export type CellAt = (t: number) => Expression

/** The last cells up to a period, the earliest first. */
export function lastCells(order: number, t: number, cell: CellAt): Expression[] {
  return Array.from({ length: order }, (_, i) => cell(t - order + 1 + i))
}

/** The mean of cells, or their weighted sum. */
export function weightedCells(weights: readonly number[], from: number, cell: CellAt): Expression {
  const terms = weights.map((_, j) => cell(from + j))
  if (weights.every((weight) => weight === weights[0])) {
    return { kind: 'average', how: 'mean', terms }
  }
  return terms
    .map((term, j) => operation(figureOf(`w${j + 1}`, weights[j]!), '×', term))
    .reduce((sum, term) => operation(sum, '+', term))
}

/** A difference of one kind. */
export function differenceOf(
  how: Difference,
  t: number,
  seasons: number,
  cell: CellAt,
): Expression {
  const lag = (at: number, by: number) => operation(cell(at), '−', cell(at - by))
  switch (how) {
    case 'first':
      return lag(t, 1)
    case 'second':
      return operation(lag(t, 1), '−', lag(t - 1, 1))
    case 'third': {
      const second = (at: number) => operation(lag(at, 1), '−', lag(at - 1, 1))
      return operation(second(t), '−', second(t - 1))
    }
    case 'seasonal':
      return lag(t, seasons)
    case 'seasonal-first':
      return operation(lag(t, seasons), '−', lag(t - 1, seasons))
  }
}

/** A growth rate in per cent. */
export function growthOf(rate: GrowthKind, t: number, seasons: number, cell: CellAt): Expression {
  const ratio = (lag: number) => operation(cell(t), '÷', cell(t - lag))
  const percent = (share: Expression) => operation(plain(100), '×', operation(share, '−', plain(1)))
  switch (rate) {
    case 'periodOnPeriod':
      return percent(ratio(1))
    case 'annualizedSimple':
      return operation(plain(seasons), '×', percent(ratio(1)))
    case 'annualizedCompounded':
      return percent({ kind: 'power', of: ratio(1), power: seasons })
    case 'yearOnYear':
      return percent(ratio(seasons))
  }
}
