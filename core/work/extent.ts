/** How much there is to calculate with: what the work of a part grows by. */
export interface Extent {
  /** Periods of the analysed span. */
  readonly periods: number
  readonly seasons: number
}

/**
 * Steps that a search of the weights of one form of smoothing takes for each period: thousands of passes, of more numbers where
 * there are seasons. Measured, as how long it takes depends on the values.
 */
export const SEARCH_A_PERIOD = { season: 30_000, noSeason: 8_000 } as const
