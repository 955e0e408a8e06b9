/** One cell of the ledger. */
export interface Cell {
  /** Name of its column. */
  readonly column: string
  /** Time code; for an average between two periods, the first of the averaged values. */
  readonly t: number
}
