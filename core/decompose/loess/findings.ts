import type { Finding } from '../../finding'
import { MODEL } from '../../model'
import type { Stretch } from '../../series/stretch'
import { figure } from '../../words/figure'
import type { Decomposed } from '../parts'
import type { LoessTaken } from './calculate'
import type { LoessOptions } from './options'

/** More periods than this are counted, not named. */
const MOST_NAMED = 6
/** A season has moved when its index did so by this share of the largest swing of a year. */
const MOVED = 0.15

/**
 * What robust loess found out: the periods it does not believe, how far the season moved over the years, and
 * where whole windows lost their weight.
 */
export function findingsOfLoess(
  stretch: Stretch,
  { model }: LoessOptions,
  { taken, index }: Decomposed<LoessTaken>,
): Finding[] {
  const findings: Finding[] = []
  const distrusted = taken.weights.flatMap((weight, i) =>
    weight === 0 && stretch.values[i] !== null ? [i] : [],
  )
  if (distrusted.length > 0) {
    const named = distrusted.slice(0, MOST_NAMED).map((i) => stretch.periodOf(i).label)
    const more = distrusted.length - named.length
    findings.push({
      code: 'distrusted',
      severity: 'note',
      topic: 'season',
      text: `The fit gives no weight to ${named.join(', ')}${more > 0 ? ` and ${more} more` : ''}: they stand too far off, or are left out.`,
      period: stretch.periodOf(distrusted[0]!).code,
      figure: distrusted.length,
    })
  }
  const drift = furthestDrift(stretch, index, MODEL[model].neutral)
  if (drift) findings.push(drift)
  if (taken.hadEmptyWindow) {
    findings.push({
      code: 'empty-window',
      severity: 'caution',
      topic: 'season',
      text: 'Some windows lost all their weight, and the series’ own values stand in for their fit. Take a longer window, or do without outlier weights.',
      period: null,
      figure: null,
    })
  }
  return findings
}

/** The season whose index moved furthest from its first year to its last. */
function furthestDrift(
  { calendar, seasonOf, seasonName }: Stretch,
  index: readonly number[],
  baseline: number,
): Finding | null {
  const drifts = Array.from({ length: calendar.seasons }, (_, k) => {
    const own = index.filter((_, i) => seasonOf[i] === k + 1)
    return { season: k + 1, first: own[0]!, last: own.at(-1)! }
  })
  const swing = 2 * Math.max(...index.map((value) => Math.abs(value - baseline)))
  const most = drifts.reduce((a, b) =>
    Math.abs(b.last - b.first) > Math.abs(a.last - a.first) ? b : a,
  )
  if (!(Math.abs(most.last - most.first) > MOVED * swing)) return null
  return {
    code: 'season-drifts',
    severity: 'note',
    topic: 'season',
    text: `The season moves over the years, most of all ${seasonName(most.season)}: its index goes from ${figure(most.first)} in the first year to ${figure(most.last)} in the last.`,
    period: null,
    figure: most.last - most.first,
  }
}
