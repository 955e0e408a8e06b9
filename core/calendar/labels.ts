import type { Calendar } from './calendar'
import type { Period } from './period'
import type { CycleName } from './rhythm'
import { rhythmOf } from './rhythms'

/**
 * A season as the trade writes it: `May`, `Q1`, `H2`, `W05`, `Mon`, `06:00`, `season 3`.
 *
 * @param season 1..m
 */
export function seasonLabel(season: number, calendar: Calendar): string {
  return rhythmOf(calendar).seasonLabel(season)
}

/** A period as the trade writes it: `Mar 2024`, `2024 Q1`, `2024 W05`, `Wed 31 Jan 2024`; `Year 1 Q3` where years are counted. */
export function periodLabel(period: Period, calendar: Calendar): string {
  return rhythmOf(calendar).label(period)
}

/** A turn of the seasons: `2024`; of days its week, `2024 W05`; of hours its day, `31 Jan 2024`. */
export function cycleLabel(cycle: number, calendar: Calendar): string {
  return rhythmOf(calendar).cycleLabel(cycle)
}

/** `1 month`, `12 months`. */
export function countPeriods(count: number, calendar: Calendar): string {
  return `${count} ${onePeriod(calendar)}${count === 1 ? '' : 's'}`
}

/** The word for one period: `month`, `quarter`, `half-year`, `year`, `week`, `day`, `hour`, `period`. */
export function onePeriod(calendar: Calendar): string {
  return rhythmOf(calendar).noun
}

/** The word for one turn of the seasons: `year`, `week`, `day`. */
export function oneCycle(calendar: Calendar): CycleName {
  return rhythmOf(calendar).cycle
}

/** `1 year`, `3 weeks`. */
export function countCycles(count: number, calendar: Calendar): string {
  return `${count} ${oneCycle(calendar)}${count === 1 ? '' : 's'}`
}
