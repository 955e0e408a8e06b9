/** What a form of trend says of itself; nobody else compares its name. */
export interface TrendForm {
  /** `line`, to end a phrase with. */
  readonly words: string
  /** `straight line`, in running text. */
  readonly called: string
  /** `a straight line`, in the sentence. */
  readonly says: string
  readonly means: string
  /** Whether it is fitted to ln y, and so works in proportion. */
  readonly ofLog: boolean
  /** Whether it goes straight on: where the level turns, it cannot. */
  readonly isStraight: boolean
  /** Whether it follows the latest values, so that a level that turns or steps is no fault of it. */
  readonly follows: boolean
  /** Whether its time can be counted in days. */
  readonly countsDays: boolean
  /** The keys of the document that it alone has; none for a form with nothing to choose. */
  readonly choices: readonly { readonly key: string; readonly isPlural: boolean }[]
}
