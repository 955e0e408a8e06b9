/** Limits of agreement of a reference case: a number passes within either of the two. */
export interface Tolerance {
  readonly abs: number
  readonly rel: number
  /** Tolerances for every number below a key of this name. */
  readonly keys?: Readonly<Record<string, { readonly abs: number; readonly rel: number }>>
}

/**
 * Where an answer departs from what is expected, one line a place; nothing when they agree.
 * Words, null and the lengths of lists must be equal; keys that are not expected are free.
 */
export function disagreements(
  got: unknown,
  want: unknown,
  tolerance: Tolerance,
  path = '',
): string[] {
  if (typeof want === 'number') {
    const reach = Math.max(tolerance.abs, tolerance.rel * Math.abs(want))
    return typeof got === 'number' && Math.abs(got - want) <= reach
      ? []
      : [`${path}: got ${String(got)}, want ${want}`]
  }
  if (Array.isArray(want)) {
    if (!Array.isArray(got) || got.length !== want.length) return [`${path}: length`]
    return want.flatMap((item, i) => disagreements(got[i], item, tolerance, `${path}[${i}]`))
  }
  if (want !== null && typeof want === 'object') {
    if (got === null || typeof got !== 'object') return [`${path}: got ${String(got)}`]
    return Object.entries(want).flatMap(([key, item]) =>
      // The wording of a refusal is free; that it names what it must is checked with the rest.
      key === 'because'
        ? []
        : disagreements(
            (got as Record<string, unknown>)[key],
            item,
            { ...tolerance, ...tolerance.keys?.[key] },
            `${path}.${key}`,
          ),
    )
  }
  return got === want ? [] : [`${path}: got ${JSON.stringify(got)}, want ${JSON.stringify(want)}`]
}
