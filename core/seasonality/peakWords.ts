import { onePeriod, seasonLabel, oneCycle } from '../calendar/labels'
import type { Calendar } from '../calendar/calendar'
import { mean, median } from '../statistics/average'
import { standardDeviation } from '../statistics/spread'
import { figure } from '../words/figure'

/** More gaps than this are told by their range. */
const MOST_LISTED = 4
/** Gaps that are told of a cycle: so many, and no further from their mean than this share of it. */
const CYCLE_GAPS = 5
const CYCLE_SPREAD = 0.15
/** Gaps that keep a distance of a year: this share of them lies within one period of it. */
const KEEP_THE_YEAR = 0.8
/** Peaks in more seasons than this share of the year come anywhere in it. */
const ANYWHERE = 1 / 3

/** What the tests say of a season: found, not found, or not asked. */
export type SeasonTold = 'found' | 'none' | null

/** What turns say, with what the tests of the season say in the same breath. */
export interface PeaksTold {
  readonly kind: 'seasonal' | 'wander' | 'cyclical' | 'uneven' | 'chance'
  readonly text: string
}

/** The distance between the turns of one kind, in periods. */
function gapsOf(places: readonly number[]): number[] {
  return places.slice(1).map((place, i) => place - places[i]!)
}

/**
 * What the distances between turns that stand out say. Unequal gaps alone make no cycle: those of noise and of a walk are
 * unequal too. A season is the tests' to find; turns say where it peaks, or that it does so in no one place.
 *
 * @param turns that stand out, as entries from 1; whether there are others, which the words then say
 * @param seasonOf of an entry, 1..m
 * @param season what the tests say
 * @param length of the series: the last turns are provisional, what comes may yet outdo them
 * @returns null with fewer than two gaps
 */
export function peaksTold(
  {
    peaks,
    troughs,
    areOfMore = false,
  }: {
    readonly peaks: readonly number[]
    readonly troughs: readonly number[]
    readonly areOfMore?: boolean
  },
  seasonOf: readonly number[],
  calendar: Calendar,
  season: SeasonTold,
  length: number,
): PeaksTold | null {
  const [ofPeaks, ofTroughs] = [gapsOf(peaks), gapsOf(troughs)]
  const all = [...ofPeaks, ...ofTroughs]
  if (all.length < 2) return null
  const { seasons } = calendar
  const near = all.filter((gap) => Math.abs(gap - seasons) <= 1).length
  const keepsYear = seasons > 1 && near >= KEEP_THE_YEAR * all.length
  const subject = areOfMore ? 'Peaks that stand out are' : 'Peaks stand'
  const apart = `${subject} ${apartWords(ofPeaks, calendar)}, troughs ${apartWords(ofTroughs, calendar)}`
  const last = Math.max(peaks.at(-1) ?? 0, troughs.at(-1) ?? 0)
  const provisional = last > length - Math.max(seasons, 2) ? ' The last turn is provisional.' : ''
  const told = (kind: PeaksTold['kind'], text: string): PeaksTold => ({
    kind,
    text: `${text}.${provisional}`,
  })
  if (keepsYear) {
    return season === 'none'
      ? told('chance', `${apart}: about a ${oneCycle(calendar)}, though the tests find no season`)
      : told('seasonal', `${apart}: seasonal${season === 'found' ? ', as the tests find' : ''}`)
  }
  if (season === 'found') return told('wander', wanderWords(peaks, troughs, seasonOf, calendar))
  const spread = (standardDeviation(all) ?? 0) / mean(all)!
  if (all.length >= CYCLE_GAPS && spread <= CYCLE_SPREAD) {
    return told(
      'cyclical',
      `${apart}: a cycle of about ${figure(Math.round(mean(all)!))} ${onePeriod(calendar)}s, which is no season of the calendar`,
    )
  }
  return told('uneven', `${apart}: no distance that they keep, as turns of chance do not either`)
}

/** `12 months apart (8 gaps)`, `11 or 12 months apart`, `7 to 19 months apart, 12 in the middle (23 gaps)` */
export function apartWords(gaps: readonly number[], calendar: Calendar): string {
  const periods = `${onePeriod(calendar)}s`
  if (gaps.length === 0) return 'too few to tell'
  const [least, most] = [Math.min(...gaps), Math.max(...gaps)]
  const count = gaps.length > 1 ? ` (${gaps.length} gaps)` : ''
  if (least === most) return `${least} ${periods} apart${count}`
  if (gaps.length <= MOST_LISTED) return `${gaps.join(', ')} ${periods} apart`
  return `${least} to ${most} ${periods} apart, ${figure(median(gaps)!)} in the middle${count}`
}

/** `Peaks come in May, June or July`, `Peaks come in no one part of the year` */
function wanderWords(
  peaks: readonly number[],
  troughs: readonly number[],
  seasonOf: readonly number[],
  calendar: Calendar,
): string {
  // Zeros and gaps can leave a series with troughs alone.
  const [turns, places] = peaks.length > 0 ? ['Peaks', peaks] : ['Troughs', troughs]
  const seasons = [...new Set(places.map((place) => seasonOf[place - 1]!))].sort((a, b) => a - b)
  if (seasons.length > Math.max(2, calendar.seasons * ANYWHERE)) {
    return `${turns} come in no one part of the ${oneCycle(calendar)}, though the tests find a season: other things move the series more`
  }
  const names = seasons.map((one) => seasonLabel(one, calendar))
  return names.length === 1
    ? `${turns} come in ${names[0]}, though not in every ${oneCycle(calendar)}`
    : `${turns} wander: they come in ${names.slice(0, -1).join(', ')} or ${names.at(-1)}`
}
