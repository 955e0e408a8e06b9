import type { Beside, LaidForecast } from '~~/core/beside/beside'

/** The rows of kept forecasts: each with its errors, where something has come. */
export function keptRows(kept: readonly LaidForecast[]): Beside[] {
  return kept.flatMap((one): Beside[] => [
    { kind: 'kept', kept: one },
    ...(one.actual.some((value) => value !== null)
      ? [{ kind: 'kept-error', kept: one } as const]
      : []),
  ])
}
