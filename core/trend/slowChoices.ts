/** Choices of a way that take long. */
export interface SlowChoices<Options, Found, Document> {
  /** Whether a method leaves any open. */
  areOpen(options: Options): boolean
  /** How they were made, and where the same is to be looked for on a little more. */
  made(found: Found): Partial<Document>
}

/**
 * Everything that takes long as it was found, and the rest looked for near what was found: for the tries of so many series that
 * nobody could wait for each of them to be looked for all over.
 */
export type NearChoices<Found, Document> = (found: Found) => Partial<Document>
