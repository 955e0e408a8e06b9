import { oneCycle } from '../../calendar/labels'
import type { Finding } from '../../finding'
import { MODEL } from '../../model'
import type { Stretch } from '../../series/stretch'
import type { Value } from '../../series/series'
import { robustSpread } from '../../statistics/spread'
import { figure, percent } from '../../words/figure'
import type { Decomposed } from '../parts'
import { decomposeByLoess, type LoessTaken } from './calculate'
import type { LoessOptions } from './options'
import { stlParameters } from '../stl/windows'

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
  options: LoessOptions,
  { taken, index, irregular }: Decomposed<LoessTaken>,
  hasSeason: boolean,
): Finding[] {
  const { model } = options
  const findings: Finding[] = tooLittle(stretch, options, taken, irregular)
  const distrusted = taken.weights.flatMap((weight, i) =>
    weight === 0 && stretch.values[i] !== null ? [i] : [],
  )
  if (distrusted.length > 0) {
    const named = distrusted.slice(0, MOST_NAMED).map((i) => stretch.periodOf(i).label)
    const more = distrusted.length - named.length
    findings.push({
      code: 'distrusted',
      severity: 'note',
      stage: 'season',
      text: `The fit gives no weight to ${named.join(', ')}${more > 0 ? ` and ${more} more` : ''}: they stand too far off, or are left out.`,
      period: stretch.periodOf(distrusted[0]!).code,
      figure: distrusted.length,
    })
  }
  const drift = hasSeason && furthestDrift(stretch, index, MODEL[model].neutral)
  if (drift) findings.push(drift)
  if (taken.hadEmptyWindow) {
    findings.push({
      code: 'empty-window',
      severity: 'caution',
      stage: 'season',
      text: 'Some windows lost all their weight, and the series’ own values stand in for their fit. Take a longer window, or do without outlier weights.',
      period: null,
      figure: null,
    })
  }
  return findings
}

/** Periods under this weight are all but disbelieved. */
const DISBELIEVED = 0.1
/** More of them than this share is no longer a few outliers. */
const MOST_DISBELIEVED = 0.25
/** A robust fit that leaves less than this share of what a plain one does has followed the noise. */
const TOO_CLOSE = 0.1

/** A robust fit that believes too little, or whose free season has explained the noise. */
function tooLittle(
  stretch: Stretch,
  options: LoessOptions,
  { weights }: LoessTaken,
  irregular: readonly Value[],
): Finding[] {
  const present = weights.filter((_, i) => stretch.values[i] !== null)
  const doubted = present.filter((weight) => weight < DISBELIEVED).length / present.length
  const isDoubting = doubted > MOST_DISBELIEVED
  if (!options.robust || (!isDoubting && !followsNoise(stretch, options, irregular))) return []
  const isPeriodic = options.seasonalWindow === 'periodic'
  const words = isDoubting
    ? `The robust fit disbelieves ${percent(doubted)} of the periods: that many are no outliers.`
    : 'The robust fit leaves hardly anything over: it follows the noise.'
  return [
    {
      code: 'believes-too-little',
      severity: 'caution',
      stage: 'season',
      text: `${words} ${isPeriodic ? 'Believe every value alike.' : 'Take a season that is the same every year.'}`,
      period: null,
      figure: doubted,
      actions: [
        isPeriodic
          ? { label: 'Believe every value alike', change: { decompose: { robust: false } } }
          : {
              label: 'Take the same season every year',
              change: { decompose: { seasonalWindow: 'periodic' } },
            },
      ],
    },
  ]
}

/** Whether a plain fit with the same windows leaves more than ten times as much. */
function followsNoise(
  stretch: Stretch,
  options: LoessOptions,
  irregular: readonly Value[],
): boolean {
  const { values, calendar, firstT } = stretch
  const parameters = stlParameters(
    { ...options, robust: false, inner: undefined, outer: undefined },
    values.length,
    calendar.seasons,
  )
  const leftOut = new Set(irregular.flatMap((value, i) => (value === null ? [firstT + i] : [])))
  const plain = decomposeByLoess(stretch, options.model, parameters, leftOut)
  const spread = (of: readonly Value[]) => robustSpread(of.filter((value) => value !== null)) ?? 0
  return spread(irregular) < TOO_CLOSE * spread(plain.irregular)
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
    stage: 'season',
    text: `The season moves over the ${oneCycle(calendar)}s, most of all ${seasonName(most.season)}: its index goes from ${figure(most.first)} in the first ${oneCycle(calendar)} to ${figure(most.last)} in the last.`,
    period: null,
    figure: most.last - most.first,
  }
}
