import type { Rolled, Try } from '../check/rolling'
import type { Candidate } from './candidates'

/** Who takes part, and the forecasts that each made, or why none. */
export interface Contestant {
  readonly candidate: Candidate
  readonly estimated: number | null
  readonly outcome:
    | { readonly rolled: Rolled }
    | { readonly refused: string }
    /** The names of the two whose mean it is. */
    | { readonly madeOf: readonly [string, string] }
}

/** A method with the tries that can be compared; none where it takes no part. */
export interface Judged {
  readonly one: Contestant
  readonly tries: readonly Try[] | null
}

/** A method in the ranking, with the tries that are compared. */
export interface Taking extends Judged {
  readonly tries: readonly Try[]
}
