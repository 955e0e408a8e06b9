import type { Cell } from '../../core/column/cell'
import type { SeriesRun } from '../../core/column/run'
import { axisOf } from '../../core/calendar/axis'
import { cycleLabel } from '../../core/calendar/labels'
import { tableColumn, tableColumns, tableYear } from '../../core/calendar/tableYear'
import { columnLetters } from './sheet'

export const SEASONS = 'Seasons'

/** Where a period stands in a grid of years and seasons, from 0. */
export interface GridPlace {
  readonly year: number
  readonly season: number
}

/** A grid of the figures of a column, a year a row. */
export interface SeasonGrid {
  readonly column: string
  /** Row of its first year in the sheet, from 0. */
  readonly top: number
}

/** Rows from the top of a grid down to that of the next, beside its years: title, seasons, what is counted and a gap. */
const AROUND = 6

/** The grids of the seasons' sheet: years downwards, seasons across, and beside them the marks of what is left out. */
export class SeasonGrids {
  readonly #grids: SeasonGrid[] = []
  readonly #run: SeriesRun
  readonly #firstYear: number
  readonly years: number

  constructor(run: SeriesRun) {
    this.#run = run
    const { calendar, firstT, lastT } = run
    const { periodAt } = axisOf(run)
    const year = (t: number) => tableYear(periodAt(t), calendar)
    this.#firstYear = year(firstT)
    this.years = year(lastT) - this.#firstYear + 1
  }

  get all(): readonly SeasonGrid[] {
    return this.#grids
  }

  /** What a year is called. @param year from 0 */
  yearLabel(year: number): string {
    return cycleLabel(this.#firstYear + year, this.#run.calendar)
  }

  /** What stands over the columns of a grid. */
  get seasonLabels(): string[] {
    return tableColumns(this.#run.calendar).map(({ label }) => label)
  }

  /** The grid of a column, made when it is first asked for. */
  of(column: string): SeasonGrid {
    const known = this.#grids.find((grid) => grid.column === column)
    if (known) return known
    const grid = { column, top: 2 + this.#grids.length * (this.years + AROUND) }
    this.#grids.push(grid)
    return grid
  }

  placeOf(t: number): GridPlace {
    const { calendar, periodAt } = axisOf(this.#run)
    const period = periodAt(t)
    return {
      year: tableYear(period, calendar) - this.#firstYear,
      season: tableColumn(period, calendar),
    }
  }

  /** Column of a season in the sheet, from 0. */
  columnOf(season: number): number {
    return 1 + season
  }

  /** Column of its mark. */
  markColumnOf(season: number): number {
    return this.seasonLabels.length + 3 + season
  }

  /** Where the mark of a period stands: always beside the first grid. */
  markOf(t: number): { readonly row: number; readonly column: number } {
    const { year, season } = this.placeOf(t)
    return { row: this.#grids[0]!.top + year, column: this.markColumnOf(season) }
  }

  /** The ranges of a season whose cells are all in one column of the ledger; null for anything else. */
  ranges(cells: readonly Cell[]): string[] | null {
    const [first] = cells
    if (!first) return null
    const { calendar, seasonOf } = axisOf(this.#run)
    const season = seasonOf(first.t)
    const isOne = ({ column, t }: Cell) => column === first.column && seasonOf(t) === season
    if (!cells.every(isOne)) return null
    const { top } = this.of(first.column)
    return tableColumns(calendar).flatMap((own, place) => {
      if (own.season !== season) return []
      const letters = columnLetters(this.columnOf(place))
      return [`${SEASONS}!$${letters}$${top + 1}:$${letters}$${top + this.years}`]
    })
  }
}
