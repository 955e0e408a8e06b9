/** One period of a series: the season of a cycle that it is. */
export interface Period {
  /**
   * One turn of the seasons: the calendar year of months, quarters and weeks; the week of days, the
   * day of hours, both counted on (see `core/calendar/rhythms`).
   */
  readonly cycle: number
  /** 1..m */
  readonly season: number
  /** The second of its season in its cycle: the 53rd week of a year, 29 February. */
  readonly again?: true
}
