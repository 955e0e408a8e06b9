import type { MethodDocument } from '~~/core/method'

/** The method with a period's value left out of its season's index, for a reason. */
export function leaveOutOfIndex(
  method: MethodDocument,
  period: string,
  reason: string,
): MethodDocument {
  const others = (method.decompose?.exclude ?? []).filter((have) => have.period !== period)
  return {
    ...method,
    decompose: { ...method.decompose, exclude: [...others, { period, reason }] },
  }
}

/** The method with a period's value counted again. */
export function putBackIntoIndex(method: MethodDocument, period: string): MethodDocument {
  const exclude = (method.decompose?.exclude ?? []).filter((have) => have.period !== period)
  return { ...method, decompose: { ...method.decompose, exclude } }
}
