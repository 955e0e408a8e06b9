/** A named column of a regression in time. */
export interface DesignColumn {
  readonly name: string
  /** What it counts, in a few words. */
  readonly means: string
  /** Its value at a time code. */
  at(t: number): number
}

/** The time code itself. */
export const TIME_CODE: DesignColumn = { name: 't', means: 'time code', at: (t) => t }

/**
 * The powers of time from the first on, the columns of a polynomial.
 *
 * @example powersOfTime(2).map((column) => column.at(3)) // [3, 9]
 */
export function powersOfTime(degree: number): DesignColumn[] {
  return Array.from({ length: degree }, (_, j) =>
    j === 0
      ? TIME_CODE
      : {
          name: `t^${j + 1}`,
          means: `time code to the power of ${j + 1}`,
          at: (t) => t ** (j + 1),
        },
  )
}
