import { canExclude, exclusionsIn } from '~~/core/decompose/ways'
import { changed, type MethodDocument } from '~~/core/method'
import type { Result } from '~~/core/result'

/** Whether the method averages values into an index, so that single ones can be left out of it. */
export function canLeaveOutOfIndex(result: Result | null): boolean {
  return result !== null && canExclude(result.method.decompose)
}

/** The method with some periods' values left out of their season's index, for one reason. */
export function leaveOutOfIndex(
  method: MethodDocument,
  periods: readonly string[],
  reason: string,
): MethodDocument {
  const added = periods.map((period) => ({ period, reason }))
  return withExclusions(method, [...othersOf(method, periods), ...added])
}

/** The method with a period's value counted again. */
export function putBackIntoIndex(method: MethodDocument, period: string): MethodDocument {
  return withExclusions(method, othersOf(method, [period]))
}

function othersOf({ decompose }: MethodDocument, periods: readonly string[]) {
  return (exclusionsIn(decompose) ?? []).filter((have) => !periods.includes(have.period))
}

function withExclusions(
  method: MethodDocument,
  exclude: readonly { readonly period: string; readonly reason: string }[],
): MethodDocument {
  return changed(method, { decompose: { exclude } })
}
