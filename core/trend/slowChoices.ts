/** Choices of a way that take long. */
export interface SlowChoices<Options, Found, Document> {
  /** Whether a method leaves any open. */
  areOpen(options: Options): boolean
  /** How they were made, and where the same is to be looked for on a little more. */
  made(found: Found): Partial<Document>
}
