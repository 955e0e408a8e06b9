/** A list of days under one name, as calendar effects take it. */
export interface NamedDates {
  readonly name: string
  /** `2024-05-01`, in the order of time, each once. */
  readonly dates: readonly string[]
}

/** Calendar years that dates are wanted of. */
export interface WantedYears {
  readonly first: number
  readonly last: number
}

/** A day as it is kept: `2024-05-01`. */
export function writtenDay(year: number, month: number, day: number): string {
  const two = (part: number) => String(part).padStart(2, '0')
  return `${String(year).padStart(4, '0')}-${two(month)}-${two(day)}`
}

/** Days in the order of time, each once. */
export function inOrder(dates: Iterable<string>): string[] {
  return [...new Set(dates)].sort()
}
