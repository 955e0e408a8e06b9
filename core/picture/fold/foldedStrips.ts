import type { CycleName } from '../../calendar/rhythm'
import type { Column } from '../../column/column'
import type { Layer, Point, Strip } from '../strips'
import type { FoldGrid } from '../../ledger/foldGrid'

/** The latest years are read at the pointer; more would not fit. */
const YEARS_READ = 6
/** Share of a season's column that its own history takes up. */
export const HISTORY_WIDTH = 0.8

/** The years laid over each other, the newest strongest. Column k stands at x = k + 1. */
export function yearsStrip(grid: FoldGrid, title: string, unit: string, cycle: CycleName): Strip {
  return {
    id: 'years',
    title,
    unit,
    share: 4,
    baseline: null,
    measure: 'level',
    legend: `the newest ${cycle} strongest`,
    layers: grid.years.map(({ label, cells }, i): Layer => ({
      kind: 'series',
      label,
      component: 'original',
      mark: i === grid.years.length - 1 ? 'line-thick' : 'line-thin',
      unread: i < grid.years.length - YEARS_READ,
      opacity: i === grid.years.length - 1 ? 1 : 0.15 + (0.55 * (i + 1)) / grid.years.length,
      points: cells.map(({ value }, column) => ({ x: column + 1, y: value })),
    })),
  }
}

/** What is drawn over the history of each season. */
export interface OverHistory {
  /** A row of the same periods: what it comes to smoothed, or the season that was made of it. */
  readonly line: { readonly label: string; readonly grid: FoldGrid } | null
  /** Whether a period is ringed. */
  isRinged(t: number): boolean
}
const NOTHING_OVER: OverHistory = { line: null, isRinged: () => false }

/** Each season's own history from year to year, with its mean. */
export function historiesStrip(
  grid: FoldGrid,
  row: Column,
  unit: string,
  cycle: CycleName,
  { line, isRinged }: OverHistory = NOTHING_OVER,
): Strip {
  const step = HISTORY_WIDTH / Math.max(1, grid.years.length)
  const history: Point[] = []
  const means: Point[] = []
  const over: Point[] = []
  const ringed: Point[] = []
  grid.seasons.forEach(({ mean }, column) => {
    const left = column + 1 - HISTORY_WIDTH / 2
    grid.years.forEach(({ cells }, year) => {
      const x = left + (year + 0.5) * step
      const { t, value } = cells[column]!
      history.push({ x, y: value })
      if (line) over.push({ x, y: line.grid.years[year]!.cells[column]!.value })
      if (t !== null && isRinged(t)) ringed.push({ x, y: value })
    })
    history.push({ x: left + HISTORY_WIDTH, y: null })
    over.push({ x: left + HISTORY_WIDTH, y: null })
    means.push(
      { x: left, y: mean },
      { x: column + 1, y: mean },
      { x: left + HISTORY_WIDTH, y: mean },
      { x: left + HISTORY_WIDTH, y: null },
    )
  })
  return {
    id: 'histories',
    title: row.label,
    unit,
    share: 2.4,
    baseline: null,
    measure: row.measure,
    legend: `each season from ${cycle} to ${cycle}, with its mean`,
    layers: [
      {
        kind: 'series',
        label: `each season, ${cycle} by ${cycle}`,
        component: row.component,
        mark: 'line-points',
        points: history,
        ...(line ? { opacity: 0.4 } : {}),
      },
      ...(line
        ? [
            {
              kind: 'series' as const,
              label: line.label,
              component: row.component,
              mark: 'line-thick' as const,
              points: over,
            },
          ]
        : []),
      ...(ringed.length > 0
        ? [
            {
              kind: 'series' as const,
              label: 'not believed in full',
              component: 'irregular' as const,
              mark: 'rings' as const,
              points: ringed,
            },
          ]
        : []),
      {
        kind: 'series',
        label: 'its mean',
        component: 'original',
        mark: 'line-thin',
        points: means,
      },
    ],
  }
}
