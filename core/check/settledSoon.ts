import type { Figures } from '../calculate'
import { settledAt } from './settle'
import { spanOf } from '../completeMethod'
import type { MethodDocument } from '../method'
import type { Series } from '../series/series'

/**
 * A method with what takes long chosen once from the whole series, and the rest to be looked for near what was found: chosen anew
 * from every origin it would take ten to a hundred times as long.
 *
 * What is known at the last origin tells no more than a form and where to look: level, trend and season of each try, and the weights
 * themselves, come of what was known there.
 *
 * @param figures of the method on the whole series, where they are known already
 */
export function settledSoon(
  series: Series,
  method: MethodDocument,
  figures?: Figures,
): MethodDocument {
  const { firstT, lastT } = spanOf(method, series)
  const made = settledAt(series, method, {
    ...{ firstT, origin: lastT, near: true, figures },
    horizon: Math.max(1, series.calendar.seasons),
  })
  if (!made) return method
  const { span: _, ...document } = made.document
  return method.span ? { ...document, span: method.span } : document
}

/** The same with limits at some levels alone: simulated ones take longer than the forecast. */
export function withLevels(method: MethodDocument, levels: readonly number[]): MethodDocument {
  return { ...method, forecast: { ...method.forecast, levels: [...levels] } } as MethodDocument
}
