/** Forecast by decomposition, complete. */
export interface ByDecompositionOptions {
  readonly by: 'decomposition'
  /** Periods. */
  readonly horizon: number
  /** Coverage of the limits in per cent, ascending. */
  readonly levels: readonly number[]
}
