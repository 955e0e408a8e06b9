import { begin } from '../../core/begin'
import type { MethodDocument } from '../../core/method'
import type { NewSeries } from '../../shared/api/series'
import { seriesFromDocument } from '../../shared/seriesSchema'
import { HttpProblem } from '../http/problem'
import { log } from '../http/log'
import { inWorker } from '../work/pool'

/** Periods in all up to which looking takes less time than the way to a thread that may still have to be started. */
const SHORT = 600
/** Series that are looked at in one go: long enough to be worth the way, short enough to end in time. */
const AT_ONCE = 50

/**
 * The methods that new series begin with, found beside the server's own thread unless they are short.
 *
 * @returns in the same order; none for a series where there was no time, which begins with the usual method then: bringing in
 *   must not fail for want of a better first forecast
 */
export async function beginningsOf(
  incoming: readonly NewSeries[],
): Promise<readonly (MethodDocument | undefined)[]> {
  const periods = incoming.reduce((sum, { series }) => sum + series.values.length, 0)
  if (periods <= SHORT) {
    return incoming.map(({ series }) => begin(seriesFromDocument(series)).method)
  }
  const methods: (MethodDocument | undefined)[] = []
  for (let from = 0; from < incoming.length; from += AT_ONCE) {
    const documents = incoming.slice(from, from + AT_ONCE).map(({ series }) => series)
    try {
      const found = await inWorker('beginAll', JSON.stringify(documents))
      methods.push(...(JSON.parse(found) as MethodDocument[]))
    } catch (error) {
      if (!(error instanceof HttpProblem)) throw error
      log.warn({ err: error, count: documents.length }, 'begun with the usual method')
      methods.push(...documents.map(() => undefined))
    }
  }
  return methods
}
