import { axisOf } from '../../calendar/axis'
import { seasonLabel } from '../../calendar/labels'
import type { Day } from '../../calendar/civil'
import { easterOf, easterShare } from '../../regression/regressors/calendar/easter'
import type { CalendarTaken } from './taken'

/** Easter of one year, and where the days before it lie. */
export interface EasterYear {
  readonly year: number
  readonly easter: Day
  /** The periods of that year that can have any of its days, and how many they have. */
  readonly periods: readonly { readonly t: number; readonly days: number }[]
}

/** Easter year by year, over all that is analysed and forecast. */
export interface EasterYears {
  /** Days before Easter that count. */
  readonly window: number
  /** Names of the seasons that can have any of them. */
  readonly seasons: readonly string[]
  readonly years: readonly EasterYear[]
}

/**
 * How many of the days before Easter fall into which period, year by year.
 *
 * @returns null where Easter is not taken out
 * @example 2024, Easter on 31 March, 8 days before it: 8 in March, 0 in April; 2025, on 20 April: 0 and 8
 */
export function easterByYears({ effects, facts }: CalendarTaken): EasterYears | null {
  const effect = effects.find((one) => one.effect === 'easter')
  if (!effect) return null
  const { window } = effect
  const axis = axisOf(facts)
  const rows = Array.from({ length: facts.endT - facts.firstT + 1 }, (_, i) => {
    const t = facts.firstT + i
    const { cycle: year, season } = axis.periodAt(t)
    return { t, year, season, days: Math.round(easterShare(axis, window, t) * window) }
  })
  const seasons = [...new Set(rows.filter(({ days }) => days > 0).map(({ season }) => season))]
  seasons.sort((a, b) => a - b)
  const years = [...new Set(rows.map(({ year }) => year))]
  return {
    window,
    seasons: seasons.map((season) => seasonLabel(season, facts.calendar)),
    years: years.flatMap((year) => {
      const own = seasons.map((season) =>
        rows.find((row) => row.year === year && row.season === season),
      )
      return own.every((row) => row !== undefined)
        ? [{ year, easter: easterOf(year), periods: own.map(({ t, days }) => ({ t, days })) }]
        : []
    }),
  }
}
