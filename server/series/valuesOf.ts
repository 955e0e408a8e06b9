import { and, eq, isNull } from 'drizzle-orm'
import type { Value } from '../../core/series/series'
import type { SeriesValues } from '../../shared/api/series'
import { among } from '../database/among'
import type { Database } from '../database/open'
import { catalogueRows, series, vintages } from '../database/schema'

/**
 * The values of series as they came in, apart from the rows of the shelf.
 *
 * @param ids of series; those that are not there, or in the trash, are left out
 * @param points values at most for each, to draw it small; all of them when left out
 */
export function valuesOf(db: Database, ids: readonly string[], points?: number): SeriesValues[] {
  return db
    .select({ id: series.id, values: vintages.values, forecast: catalogueRows.forecast })
    .from(series)
    .innerJoin(vintages, eq(vintages.id, series.vintageId))
    .leftJoin(catalogueRows, eq(catalogueRows.seriesId, series.id))
    .where(and(isNull(series.deletedAt), among(series.id, ids)))
    .all()
    .map(({ id, values, forecast }) => ({
      ...{ id, values: points ? drawable(values, points) : values },
      ...(points && forecast ? { ahead: aheadOf(forecast.forecast, values.length, points) } : {}),
    }))
}

/** A forecast as it is drawn behind values of which some may be left out: as much wider or narrower as they are. */
function aheadOf(forecast: readonly number[], periods: number, points: number): Value[] {
  if (periods <= points) return [...forecast]
  return drawable(forecast, Math.max(2, Math.round((forecast.length * points) / periods)))
}

/**
 * Values as a small picture needs them: of each stretch its lowest and highest in their order, and a gap where all are missing.
 *
 * @example drawable([1, 5, 2, 3, 9, 4, 4, 4], 4) // [1, 5, 9, 4]
 */
export function drawable(values: readonly Value[], points: number): Value[] {
  if (values.length <= points) return [...values]
  const stretches = Math.max(1, Math.floor(points / 2))
  return Array.from({ length: stretches }, (_, k) =>
    extremes(
      values.slice(
        Math.floor((k * values.length) / stretches),
        Math.floor(((k + 1) * values.length) / stretches),
      ),
    ),
  ).flat()
}

function extremes(stretch: readonly Value[]): Value[] {
  const present = stretch.filter((value) => value !== null)
  if (present.length === 0) return [null, null]
  const low = Math.min(...present)
  const high = Math.max(...present)
  return stretch.indexOf(low) <= stretch.indexOf(high) ? [low, high] : [high, low]
}
