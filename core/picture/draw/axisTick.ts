/** A label under the strips. */
export interface AxisTick {
  readonly t: number
  /** Pixels from the left edge of the axis. */
  readonly x: number
  readonly season: string
  /** Stated where a year begins and at the left edge. */
  readonly year: string
  readonly isYearStart: boolean
  readonly isForecast: boolean
}
