import { DEFAULT_FORECAST, forecastWayOf } from '../forecast/ways'
import type { Contest } from './contest'

/**
 * What a contest came to, in a line.
 *
 * @example `Nearest: Repeating last year. Nothing beats it here.`
 */
export function outcomeWords({ rows, proposed, plainer }: Contest): string {
  const first = rows.find(({ name }) => name === proposed)
  if (!first) return 'None of the methods can be carried out on this series.'
  const { isBenchmark } = forecastWayOf(first.method.forecast?.by ?? DEFAULT_FORECAST.name)
  const beaten = isBenchmark ? ' No method beats it here.' : ''
  const other = plainer ? ` Plainer, and not worse beyond chance: ${plainer}.` : ''
  return `Nearest: ${first.name}.${beaten}${other}`
}
