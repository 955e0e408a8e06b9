import type { Finding } from '../../finding'
import type { Stretch } from '../../series/stretch'
import type { Decomposed } from '../parts'
import type { AveragesTaken } from './calculate'

/** Seasons with too few values to trim. */
export function findingsOfAverages(
  { seasonName }: Stretch,
  { taken }: Decomposed<AveragesTaken>,
): Finding[] {
  const { untrimmed } = taken
  if (untrimmed.length === 0) return []
  return [
    {
      code: 'not-trimmed',
      severity: 'note',
      stage: 'season',
      text: `${untrimmed.map(seasonName).join(', ')}: fewer than three values, so the trimmed mean is a plain mean.`,
      period: null,
      figure: untrimmed.length,
    },
  ]
}
