import type { AddedUp } from '../core/addingUp/addUp'
import { AGREE_BY } from '../core/addingUp/agreement/ways'
import { LEVELS_APART } from '../core/addingUp/nodes'
import { AGREEMENT_NAMES } from '../core/addingUp/tried'
import type { FigureTable } from '../core/ledger/table'
import type { Value } from '../core/series/series'

/** Forecasts that were made to agree, a node and period in a row: what it stands in, and its forecast by itself and by each way. */
export function sumsTable({ nodes, ahead, unit, weights }: AddedUp): FigureTable {
  const within = (place: number): string => {
    const { parent, name } = nodes[place]!
    return parent === null ? name : `${within(parent)}${LEVELS_APART}${name}`
  }
  return {
    header: [
      ...['level', 'name', 'within', 'series', 'method', 'unit', 'period'],
      ...['by itself', ...AGREE_BY.map((by) => AGREEMENT_NAMES[by])],
      weights.kind === 'errors' ? 'error variance' : 'structural variance',
    ],
    rows: nodes.flatMap(({ level, name, parent, series, method, own, agreed }, place) =>
      ahead.map((period, h): (string | Value)[] => [
        ...[
          level,
          name,
          parent === null ? '' : within(parent),
          series.length,
          method,
          unit,
          period,
        ],
        ...[own[h]!, ...AGREE_BY.map((by) => agreed[by][h]!), weights.variances[place]!],
      ]),
    ),
  }
}
