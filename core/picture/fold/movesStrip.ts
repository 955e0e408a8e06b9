import { traitsOf } from '../../decompose/ways'
import { believedInPart } from '../../ledger/believed'
import type { FoldGrid } from '../../ledger/foldGrid'
import { ledgerOf } from '../../ledger/ledger'
import type { Result } from '../../result'
import type { Point, Strip } from '../strips'
import { HISTORY_WIDTH } from './foldedStrips'

/** Share of the range that is kept free above and below. */
const ROOM = 0.08

/**
 * How each season moves, in a small picture of its own: its index from year to year around its own mean, and dots for what it was made
 * of; what is not believed in full is ringed where the scale of the others reaches.
 *
 * @param folded a row of the result, folded by year
 * @param unit of a difference; a factor is read as one
 * @returns null where the season is the same every year
 */
export function movesStrip(
  result: Result,
  folded: (name: string) => FoldGrid,
  unit: string,
): Strip | null {
  const row = ledgerOf(result).find('index')
  if (!row || !traitsOf(result.method.decompose).seasonMayChange) return null
  const [indices, made] = [folded('index'), folded('seasonalIrregular')]
  const inPart = believedInPart(result)
  const step = HISTORY_WIDTH / Math.max(1, indices.years.length)
  const [line, dots, rings]: [Point[], Point[], Point[]] = [[], [], []]
  indices.seasons.forEach(({ mean }, column) => {
    const left = column + 1 - HISTORY_WIDTH / 2
    indices.years.forEach(({ cells }, year) => {
      const x = left + (year + 0.5) * step
      const { t, value } = cells[column]!
      const own = made.years[year]!.cells[column]!.value
      line.push({ x, y: around(value, mean) })
      const dot = { x, y: around(own, mean) }
      if (t !== null && inPart.has(t)) rings.push(dot)
      else dots.push(dot)
    })
    line.push({ x: left + HISTORY_WIDTH, y: null })
  })
  const fixed = rangeOf([...line, ...dots])
  const within = rings.filter(({ y }) => y !== null && y >= fixed.low && y <= fixed.high)
  return {
    ...{ id: 'moves', title: 'How it moves', share: 2.4 },
    unit: row.measure === 'factor' ? 'factor, from its mean' : `${unit}, from its mean`,
    ...{ baseline: 0, measure: row.measure === 'factor' ? 'number' : 'difference' },
    legend: 'each season’s index around its own mean; dots: what it was made of',
    fixed,
    layers: [
      {
        ...{ kind: 'series', label: 'ratio', component: 'season', mark: 'dots' },
        ...{ points: dots, opacity: 0.6 },
      },
      {
        ...{ kind: 'series', label: 'not believed in full', component: 'irregular', mark: 'rings' },
        points: within,
      },
      {
        ...{ kind: 'series', label: 'index', component: 'season', mark: 'line-thick' },
        points: line,
      },
    ],
  }
}

function around(value: number | null, mean: number | null): number | null {
  return value === null || mean === null ? null : value - mean
}

/** From the lowest to the highest of the points, with a little room. */
function rangeOf(points: readonly Point[]): { low: number; high: number } {
  const all = points.flatMap(({ y }) => (y === null ? [] : [y]))
  const [low, high] = [Math.min(0, ...all), Math.max(0, ...all)]
  const room = ROOM * (high - low || 1)
  return { low: low - room, high: high + room }
}
