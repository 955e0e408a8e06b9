import type { Contest } from '../../contest/contest'
import type { ReadersFigures } from '../../words/readersFigures'
import { decimalsApart } from '../draw/valueMarks'
import { layer, type Strip } from '../strips'
import { figuresAcross } from './across'
import type { Drawn } from './drawn'

/** What lies beyond so many times the median of the worst is drawn at the edge, or one freak origin would flatten the others. */
const MOST_TIMES = 2

/**
 * How far off each method was from each origin, and on average, the nearest first.
 *
 * @returns null where all were refused
 */
export function contestPicture({ rows, origins }: Contest, says: ReadersFigures): Drawn | null {
  const held = rows.filter(({ mean }) => mean !== null)
  if (held.length === 0) return null
  const worst = held.map(({ byOrigin }) => Math.max(...byOrigin)).sort((a, b) => a - b)
  const largest = Math.min(worst.at(-1)!, MOST_TIMES * worst[Math.floor(worst.length / 2)]!)
  return {
    strips: held.map((row): Strip => ({
      ...{ id: row.name, title: row.name, share: 1, baseline: null, measure: 'number' },
      unit: `${says.decimals(row.mean!, 2)}${row.tiesWithBest ? ', not told apart from the first' : ''}`,
      ...{ isBare: true, fixed: { low: -1, high: 1 }, legend: '' },
      layers: [
        {
          ...layer(
            'one origin',
            'forecast',
            'dots',
            row.byOrigin.map((x) => ({ x: Math.min(x, largest), y: 0 })),
          ),
          opacity: 0.4,
        },
        layer('mean', 'original', 'line-thick', [
          { x: row.mean!, y: -0.8 },
          { x: row.mean!, y: 0.8 },
        ]),
      ],
    })),
    subtitle: `Scaled errors of ${origins.count} origins, a dot each, and their mean`,
    across: figuresAcross(0, largest * 1.02, (value, apart) =>
      says.decimals(value, decimalsApart(apart)),
    ),
  }
}
