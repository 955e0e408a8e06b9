/**
 * A function of a time code that works each one out once: columns of the calendar are asked for the same periods by one
 * regression after another.
 *
 * @param at gives the same for the same time code, and never undefined
 */
export function remembered<T extends NonNullable<unknown> | null>(
  at: (t: number) => T,
): (t: number) => T {
  // Time codes are whole and small: a list finds them faster than a map.
  const known: T[] = []
  return (t) => {
    const before = known[t]
    if (before !== undefined) return before
    const found = at(t)
    known[t] = found
    return found
  }
}
