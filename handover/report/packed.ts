/**
 * The workings of a report as data, so packed that the figures of ten years of months take little room: what many cells have
 * in common stands once, and periods within it are said from the cell's own.
 */
export interface PackedWorkings {
  /** Time code of the first period, and the names of all of them. */
  readonly firstT: number
  readonly periods: readonly string[]
  /**
   * What cells have in common, by number. A period stands as `\uE000` n `\uE001`, n periods from the cell's own; in an arithmetic
   * in numbers the k-th figure that it was made from as `\uE002` k `\uE003`.
   */
  readonly texts: readonly string[]
  readonly columns: readonly PackedColumn[]
  /** Figures that are no cell of the ledger, such as a total. */
  readonly others: readonly PackedOther[]
}

export interface PackedColumn {
  readonly label: string
  readonly means: string
  readonly unit: string
  /** Whether its cells stand between two periods. */
  readonly isBetween: boolean
  /** One a period; 0 for one that the report does not come to. */
  readonly cells: readonly (PackedCell | 0)[]
}

/**
 * Either why there is no figure, or the figure, and by number its arithmetic in numbers and in symbols, the sources and, where
 * there is one, the reading.
 */
export type PackedCell =
  | readonly [because: number]
  | readonly [value: string, numbers: number, symbols: number, sources: number, reading?: number]

export interface PackedOther {
  readonly title: string
  readonly means: string
  readonly unit: string
  readonly cell: PackedCell
  /** The time code that its texts count periods from. */
  readonly t: number
}
