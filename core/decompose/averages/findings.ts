import type { Finding } from '../../finding'
import type { Stretch } from '../../series/stretch'
import type { Decomposed } from '../parts'
import type { AveragesTaken } from './calculate'
import type { GivenIndices } from './given'
import { areGiven, type AveragesOptions } from './options'

/** Where indices come from that are given; seasons with too few values to trim. */
export function findingsOfAverages(
  { seasonName }: Stretch,
  options: AveragesOptions,
  { taken }: Decomposed<AveragesTaken>,
): Finding[] {
  if (areGiven(options)) return [indicesGiven(options.indices)]
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

function indicesGiven({ given, source }: GivenIndices): Finding {
  return {
    code: 'indices-given',
    severity: 'note',
    stage: 'season',
    text: `The ${given.length} indices are given (${source}), not formed from this series: they have no standard error, and limits of a forecast by them know nothing of how far they may be off. The check takes them as known at every origin.`,
    period: null,
    figure: given.length,
  }
}
