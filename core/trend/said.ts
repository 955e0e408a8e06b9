/** What is said of a trend where it is drawn, and in the path. */
export interface TrendSaid {
  /** At its line: all of it, and where that is too long less and less. */
  readonly notes: readonly string[]
  /** What it came to, in one line. */
  readonly line: string
}

/** What this is said in the light of. */
export interface TrendTold {
  readonly hasSeason: boolean
  readonly unit: string
  /** `month` */
  readonly per: string
}
