import type { TimeVariable } from './timeVariable'

/** A named column of a regression in time. */
export interface DesignColumn {
  /** Told apart by it: `t`, `t^2`, `season 5`, `slope change at 43`. */
  readonly name: string
  /** As it is read: `time code`, `May`, `bend at Jun 2019`. */
  readonly label: string
  /** What it counts, in a few words. */
  readonly means: string
  /** The power of time that it is, of a polynomial; these are fitted in centred and scaled time. */
  readonly power?: { readonly of: TimeVariable; readonly degree: number }
  /** The time code at which it bends the trend, of a bend. */
  readonly bend?: number
  /** Its value at a time code. */
  at(t: number): number
}

/** How a design finds the season and the name of a period. */
export interface DesignCalendar {
  /** m */
  readonly seasons: number
  seasonOf(t: number): number
  /** `May` */
  seasonLabel(season: number): string
  /** `Jun 2019` */
  periodLabel(t: number): string
}

const SUPERSCRIPTS = ['', '', '²', '³', '⁴', '⁵', '⁶', '⁷', '⁸', '⁹']

/**
 * The powers of time from the first on, the columns of a polynomial.
 *
 * @example powersOfTime(2, TIME_CODE).map((column) => column.at(3)) // [3, 9]
 */
export function powersOfTime(degree: number, time: TimeVariable): DesignColumn[] {
  return Array.from({ length: degree }, (_, j) => {
    const power = j + 1
    return {
      name: power === 1 ? time.name : `${time.name}^${power}`,
      label: `${time.label}${SUPERSCRIPTS[power] ?? `^${power}`}`,
      means: power === 1 ? time.means : `${time.label} to the power of ${power}`,
      power: { of: time, degree: power },
      at: (t) => time.at(t) ** power,
    }
  })
}
