import { changed, type MethodDocument } from '~~/core/method'

/** The method with a period's value left out of its season's index, for a reason. */
export function leaveOutOfIndex(
  method: MethodDocument,
  period: string,
  reason: string,
): MethodDocument {
  return withExclusions(method, [...othersOf(method, period), { period, reason }])
}

/** The method with a period's value counted again. */
export function putBackIntoIndex(method: MethodDocument, period: string): MethodDocument {
  return withExclusions(method, othersOf(method, period))
}

function othersOf({ decompose }: MethodDocument, period: string) {
  const all = decompose && 'exclude' in decompose ? (decompose.exclude ?? []) : []
  return all.filter((have) => have.period !== period)
}

function withExclusions(
  method: MethodDocument,
  exclude: readonly { readonly period: string; readonly reason: string }[],
): MethodDocument {
  return changed(method, { decompose: { exclude } })
}
