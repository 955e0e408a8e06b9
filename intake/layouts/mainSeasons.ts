import { readSeason, type SeasonReading } from '../periods/seasonText'

/** Parts of a year from the finest on: of two kinds side by side the coarser adds up the finer. */
const FINEST = ['month', 'quarter', 'half-year'] as const

/**
 * The kind of seasons that texts are mostly of, where months, quarters and halves stand among one another: the others add them
 * up, as the quarters among the months do.
 *
 * @returns null where no text is a season
 */
export function mainKind(readings: readonly SeasonReading[]): SeasonReading['kind'] | null {
  const counts = new Map<SeasonReading['kind'], number>()
  for (const { kind } of readings) counts.set(kind, (counts.get(kind) ?? 0) + 1)
  const [most] = [...counts].sort((a, b) => b[1] - a[1])
  return most?.[0] ?? null
}

/** Whether a text is a part of the year that is coarser than the seasons of a table, and so a total among them. */
export function isCoarser(text: string, kind: SeasonReading['kind'] | null): boolean {
  if (/^\d+$/.test(text)) return false
  const own = readSeason(text)?.kind
  const place = (one: SeasonReading['kind'] | null | undefined) =>
    FINEST.findIndex((finest) => finest === one)
  return place(kind) >= 0 && place(own) > place(kind)
}
