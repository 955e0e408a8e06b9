/** Writes to standard output, which belongs to results alone; words for people go to standard error. */
export function print(text: string): void {
  process.stdout.write(text)
}

/** Prints a document on one line. */
export function printJson(document: unknown): void {
  print(JSON.stringify(document) + '\n')
}
