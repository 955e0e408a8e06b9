import { axisOf } from '../calendar/axis'
import { countPeriods, oneCycle } from '../calendar/labels'
import { offWords } from '../check/words'
import type { Verdict } from '../check/verdict'
import { benchmarkSays } from '../forecast/benchmarks'
import { suspiciousValues, type SuspiciousValue } from '../prepare/adjust/suspicious'
import type { Series, Value } from '../series/series'
import { figure, percent } from '../words/figure'
import { endingOf } from './behind'
import { recentShift } from './recentShift'

/** Why somebody should look at a series, the most urgent first. */
export const REASONS = [
  'refused',
  'mistyped',
  'ended',
  'stopped',
  'outside-limits',
  'level-step',
  'worse',
  'forecast-change',
] as const
export type Reason = (typeof REASONS)[number]

/** A reason, with its figure, in words that stand by themselves. */
export interface Attention {
  readonly code: Reason
  readonly text: string
  /** How much of it: the larger comes first among those of one kind. */
  readonly size: number
}

/** From where on something is worth a look. */
export interface Thresholds {
  /** A forecast that is over or under the year before by more per cent than this. */
  readonly change: number
  /** So many of the last three actual values outside their limits. */
  readonly outside: number
  /** So many zeros at the end of a series that hardly had one before. */
  readonly zeros: number
  /** So many periods that a series ends before the others. */
  readonly behind: number
}

export const USUAL_THRESHOLDS: Thresholds = {
  ...{ change: 25, outside: 3, zeros: 3, behind: 1 },
}

/** The latest actual values that are held against the limits of a forecast made before them. */
export const LAST_ACTUALS = 3

/** What is known of a series when reasons are looked for; null where it could not be found out. */
export interface Known {
  readonly series: Series
  /** As they are used, adjusted, from time code 1. */
  readonly values: readonly Value[]
  readonly refused: string | null
  readonly verdict: Verdict | null
  /** In per cent. */
  readonly change: Value
  /** How many of the last actual values lie outside the widest limits, and how far by their own width at most. */
  readonly outside: { readonly count: number; readonly of: number; readonly reach: number } | null
  /** Periods between the end of this series and that of the others of its rhythm. */
  readonly behind: number
}

/** Every reason that holds, the most urgent first. */
export function attentionOf(known: Known, thresholds: Thresholds): Attention[] {
  return [
    ...refusedReason(known),
    ...mistypedReasons(known),
    ...endedReason(known, thresholds),
    ...stoppedReason(known, thresholds),
    ...outsideReason(known, thresholds),
    ...shiftReason(known),
    ...worseReason(known),
    ...changeReason(known, thresholds),
  ]
}

function refusedReason({ refused }: Known): Attention[] {
  return refused === null ? [] : [{ code: 'refused', text: `refused: ${refused}`, size: 1 }]
}

const NUMBER_NAMES: Readonly<Record<number, string>> = {
  10: 'ten',
  100: 'a hundred',
  1000: 'a thousand',
}

function mistypedReasons({ series, values }: Known): Attention[] {
  const { label } = axisOf(series)
  const says = ({ at, suspicion, times }: SuspiciousValue) => {
    const when = label(at + 1)
    const many = NUMBER_NAMES[times ?? 0]
    switch (suspicion) {
      case 'times-too-large':
        return `${when} typed ${many} times too large?`
      case 'times-too-small':
        return `${when} typed ${many} times too small?`
      case 'sign-flipped':
        return `${when} typed with a minus?`
      case 'zero-among-large':
        return `${when} is 0: none sold, or none written down?`
    }
  }
  // Zeros to the very end are a series that has stopped, and said as that.
  const stopped = zerosAtEnd(values)
  return suspiciousValues(values, series.calendar.seasons)
    .filter(({ at }) => at < values.length - stopped)
    .map((found) => ({ code: 'mistyped', text: says(found), size: found.times ?? 1 }))
}

function endedReason({ series, behind }: Known, { behind: from }: Thresholds): Attention[] {
  if (behind < from) return []
  const end = axisOf(series).label(endingOf(series).last)
  return [
    {
      ...{ code: 'ended', size: behind },
      text: `ends in ${end}, ${countPeriods(behind, series.calendar)} before the others`,
    },
  ]
}

/** A series that hardly ever had a zero before. */
const SELDOM = 0.05

function stoppedReason({ series, values }: Known, { zeros: from }: Thresholds): Attention[] {
  const zeros = zerosAtEnd(values)
  const before = values.slice(0, values.length - zeros).filter((value) => value !== null)
  const seldom = before.filter((value) => value === 0).length <= SELDOM * before.length
  if (zeros < from || before.length === 0 || !seldom) return []
  const since = axisOf(series).label(values.length - zeros + 1)
  return [{ code: 'stopped', text: `nothing since ${since}`, size: zeros }]
}

function zerosAtEnd(values: readonly Value[]): number {
  return values.length - 1 - values.findLastIndex((value) => value !== 0)
}

const COUNTS = ['none', 'one', 'two', 'three'] as const

function outsideReason({ outside }: Known, { outside: from }: Thresholds): Attention[] {
  if (!outside || outside.count < from) return []
  const [count, of] = [COUNTS[outside.count], COUNTS[outside.of]]
  return [
    {
      ...{ code: 'outside-limits', size: outside.reach },
      text: `${count} of the last ${of} actuals outside the limits`,
    },
  ]
}

function shiftReason({ series, values }: Known): Attention[] {
  // A series that has stopped has no other level.
  if (oneCycle(series.calendar) !== 'year' || zerosAtEnd(values) > 0) return []
  const shift = recentShift(values, series.calendar.seasons)
  if (!shift) return []
  const by = `${percent(Math.abs(shift.size))} ${shift.size > 0 ? 'up' : 'down'}`
  const when = axisOf(series).label(shift.at + 1)
  return [
    {
      ...{ code: 'level-step', size: Math.abs(Math.log1p(shift.size)) },
      text: `level changed in ${when} (${by})`,
    },
  ]
}

function worseReason({ series, verdict }: Known): Attention[] {
  const best = verdict?.benchmarks[0]
  if (!verdict || !best || verdict.against !== 'worse') return []
  const says = benchmarkSays(best.which, oneCycle(series.calendar))
  const [own, other] = [offWords(verdict.method, series.unit), offWords(best.off, series.unit)]
  return [
    {
      ...{ code: 'worse', size: best.off.by > 0 ? verdict.method.by / best.off.by : 1 },
      text: `worse than ${says}: off by ${own}, that by ${other}`,
    },
  ]
}

function changeReason({ series, change }: Known, { change: from }: Thresholds): Attention[] {
  if (change === null || Math.abs(change) <= from) return []
  const before = `last ${oneCycle(series.calendar)}`
  const text =
    change < -100
      ? 'forecast falls below 0'
      : `forecast ${figure(Math.round(Math.abs(change)))}% ${change > 0 ? 'over' : 'under'} ${before}`
  return [{ code: 'forecast-change', size: Math.abs(change), text }]
}

/** Something with its reasons, the most urgent first. */
interface WithReasons {
  readonly attention: readonly Attention[]
}

/** Below 0 where the first is the more urgent; what nobody need look at comes last. */
export function compareUrgency(a: WithReasons, b: WithReasons): number {
  const rank = ({ attention: [first] }: WithReasons) =>
    first ? REASONS.indexOf(first.code) : REASONS.length
  return rank(a) - rank(b) || (b.attention[0]?.size ?? 0) - (a.attention[0]?.size ?? 0)
}

/** Those that somebody should look at first, the most urgent first; the others as they come. */
export function byUrgency<T extends WithReasons>(rows: readonly T[]): T[] {
  return [...rows].sort(compareUrgency)
}
