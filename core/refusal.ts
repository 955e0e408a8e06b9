/** What a refusal points at, so that a screen can mark it and a script can read it. */
export interface RefusalNames {
  /** Time code of the offending period. */
  readonly t?: number
  readonly year?: number
  readonly season?: number
  /** Season numbers, 1..m, that the refusal is about. */
  readonly seasons?: readonly number[]
  /** An effect of the calendar: `trading day`, or the name of a holiday. */
  readonly effect?: string
  /** Column of a regression that depends on others, and all that take part in it. */
  readonly column?: string
  readonly columns?: readonly string[]
  /** m of a series that has too many seasons, or too few. */
  readonly seasonsInYear?: number
  readonly periodsNeeded?: number
  /** Options that are none, or do not go together. */
  readonly options?: readonly string[]
}

/**
 * A calculation that cannot be done honestly, said in words that are shown unchanged on the
 * screen, in a terminal and over HTTP.
 *
 * `because` is a full sentence: what is wrong, with the figure, and what would mend it.
 * `where` is either a period code (`2019-03`) or a path in the method document (`decompose.by`).
 */
export class Refusal extends Error {
  override readonly name = 'Refusal'

  constructor(
    readonly because: string,
    readonly where: string,
    readonly names: RefusalNames = {},
  ) {
    super(because)
  }
}

/** What a calculation comes to; null where it is refused. Any other error stays one. */
export function orNull<T>(calculation: () => T): T | null {
  try {
    return calculation()
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}

/**
 * A calculation whose refusals point below a path of the document, which it does not know itself.
 *
 * @example refusedUnder('forecast', () => { throw new Refusal('…', 'season') }) // refused at `forecast.season`
 */
export function refusedUnder<T>(path: string, calculation: () => T): T {
  try {
    return calculation()
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    const { because, where, names } = error
    throw new Refusal(because, where ? `${path}.${where}` : path, names)
  }
}

/**
 * What a calculation is refused for, said of the choice that set it off.
 *
 * @param path of that choice in the document
 * @param what it is: `A year carried on`
 */
export function refusedAt<T>(path: string, what: string, calculation: () => T): T {
  try {
    return calculation()
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    throw new Refusal(`${what}: ${error.because}`, path, error.names)
  }
}
