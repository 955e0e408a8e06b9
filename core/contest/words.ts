import { DEFAULT_FORECAST, forecastWayOf } from '../forecast/ways'
import type { Contest } from './contest'

/**
 * What a contest came to: which is nearest, which to take and why, and which is plainer.
 *
 * @example `Nearest: Repeating last year. No method beats it here.`
 */
export function outcomeWords({ rows, nearest, proposed, plainer }: Contest): string {
  const first = rows.find(({ name }) => name === nearest)
  if (!first) return 'None of the methods can be carried out on this series.'
  const { isBenchmark } = forecastWayOf(first.method.forecast?.by ?? DEFAULT_FORECAST.name)
  const beaten = isBenchmark ? ' No method beats it here.' : ''
  const own =
    proposed && proposed !== nearest
      ? ` Proposed: ${proposed}, the method that the series begins with; the nearest is not nearer beyond chance, and of many methods one is always first.`
      : ''
  const other = plainer ? ` Plainer, and not worse beyond chance: ${plainer}.` : ''
  return `Nearest${own ? '' : ', and proposed'}: ${first.name}.${beaten}${own}${other}`
}
