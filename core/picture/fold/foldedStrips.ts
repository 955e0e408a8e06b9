import type { Column } from '../../column/column'
import type { Layer, Point, Strip } from '../strips'
import type { FoldGrid } from '../../ledger/foldGrid'

/** The latest years are read at the pointer; more would not fit. */
const YEARS_READ = 6
/** Share of a season's column that its own history takes up. */
const HISTORY_WIDTH = 0.8

/** The years laid over each other, the newest strongest. Column k stands at x = k + 1. */
export function yearsStrip(grid: FoldGrid, title: string, unit: string): Strip {
  return {
    id: 'years',
    title,
    unit,
    share: 4,
    baseline: null,
    measure: 'level',
    legend: 'the newest year strongest',
    layers: grid.years.map(({ year, cells }, i): Layer => ({
      kind: 'series',
      label: String(year),
      component: 'original',
      mark: i === grid.years.length - 1 ? 'line-thick' : 'line-thin',
      unread: i < grid.years.length - YEARS_READ,
      opacity: i === grid.years.length - 1 ? 1 : 0.15 + (0.55 * (i + 1)) / grid.years.length,
      points: cells.map(({ value }, column) => ({ x: column + 1, y: value })),
    })),
  }
}

/**
 * Each season's own history from year to year, with its mean.
 *
 * @param smooth the same row smoothed along each season, drawn over its history
 */
export function historiesStrip(
  grid: FoldGrid,
  row: Column,
  unit: string,
  smooth: FoldGrid | null = null,
): Strip {
  const step = HISTORY_WIDTH / Math.max(1, grid.years.length)
  const history: Point[] = []
  const means: Point[] = []
  const smoothed: Point[] = []
  grid.seasons.forEach(({ mean }, column) => {
    const left = column + 1 - HISTORY_WIDTH / 2
    grid.years.forEach(({ cells }, year) => {
      const x = left + (year + 0.5) * step
      history.push({ x, y: cells[column]!.value })
      if (smooth) smoothed.push({ x, y: smooth.years[year]!.cells[column]!.value })
    })
    history.push({ x: left + HISTORY_WIDTH, y: null })
    smoothed.push({ x: left + HISTORY_WIDTH, y: null })
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
    legend: 'each season from year to year, with its mean',
    layers: [
      {
        kind: 'series',
        label: 'each season, year by year',
        component: row.component,
        mark: 'line-points',
        points: history,
        ...(smooth ? { opacity: 0.4 } : {}),
      },
      ...(smooth
        ? [
            {
              kind: 'series' as const,
              label: 'smoothed along the season',
              component: row.component,
              mark: 'line-thick' as const,
              points: smoothed,
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
