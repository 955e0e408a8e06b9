import type { PeriodReading } from './periodReading'

/** Years between two periods of a file from which they do not belong together. */
const APART = 30
/** Years after this are a slip of the keyboard, or a century guessed wrongly. */
export const LAST_YEAR = 2070

/**
 * The readings without those of years far from all others: 2091 among 2021 and 2022. They are no periods then, and the rows
 * are asked about.
 *
 * @param readings one entry a row, null where there is no period
 */
export function withoutFarYears(
  readings: readonly (PeriodReading | null)[],
): readonly (PeriodReading | null)[] {
  const counts = new Map<number, number>()
  for (const reading of readings)
    if (reading) counts.set(reading.year, (counts.get(reading.year) ?? 0) + 1)
  const years = [...counts.keys()].sort((a, b) => a - b)
  if (years.length < 2) return readings
  // Years that follow one another more closely than that are a group; the one with most rows is the file's.
  const groups: number[][] = []
  for (const year of years) {
    const last = groups.at(-1)
    if (last && year - last.at(-1)! < APART) last.push(year)
    else groups.push([year])
  }
  if (groups.length < 2) return readings
  const rowsOf = (group: readonly number[]) =>
    group.reduce((all, year) => all + counts.get(year)!, 0)
  const own = new Set(groups.reduce((best, group) => (rowsOf(group) > rowsOf(best) ? group : best)))
  return readings.map((reading) => (reading && own.has(reading.year) ? reading : null))
}
