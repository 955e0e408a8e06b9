import type { Calendar } from '../calendar/calendar'
import { periodLabel, oneCycle } from '../calendar/labels'
import { parsePeriod } from '../calendar/codes'
import { offWords } from '../check/words'
import { benchmarkSays } from '../forecast/benchmarks'
import { figure } from '../words/figure'
import { leans, withinNarrowest, type Judged, type Need } from './judge'

/** What the words of a record are made of. */
export interface RecordTold {
  readonly calendar: Calendar
  readonly unit: string
}

/**
 * How a kept forecast did, in one line.
 *
 * @example 'Jan 2026 to Mar 2026: off by 3.1%, 2 of 3 within the 80% limits; repeating last year 5.0%'
 */
export function recordLine(judged: Judged, { calendar, unit }: RecordTold): string {
  const { off, benchmark, statistical } = judged
  const came = judged.periods.filter(({ actual }) => actual !== null)
  if (!off || came.length === 0) return 'Nothing of it has come yet'
  const label = (code: string) => periodLabel(parsePeriod(code, calendar)!, calendar)
  const [first, last] = [label(came[0]!.period), label(came.at(-1)!.period)]
  const held = withinNarrowest(judged)
  const within = held && `${held.inside} of ${held.of} within the ${held.level}% limits`
  return [
    `${first === last ? first : `${first} to ${last}`}: off by ${offWords(off, unit)}${within ? `, ${within}` : ''}`,
    ...(benchmark.off
      ? [`${benchmarkSays(benchmark.which, oneCycle(calendar))} ${offWords(benchmark.off, unit)}`]
      : []),
    ...(statistical ? [`without the hand ${offWords(statistical, unit)}`] : []),
  ].join('; ')
}

/** Errors that add up to one side: `the errors add up to 4.6 mean errors: it was too low`; null where they do not. */
export function leaningWords({ tracking }: Judged): string | null {
  if (!leans(tracking)) return null
  const side = tracking! > 0 ? 'low' : 'high'
  return `the errors add up to ${figure(Math.abs(Number(tracking!.toFixed(1))))} mean errors: it was too ${side}`
}

/** Why a forecast needs a new look: `the last 3 values lie above the 95% limits`. */
export function needWords({ why, side, count, of, level }: Need): string {
  const where = `${side === 'upper' ? 'above' : 'below'} the ${level}% limits`
  return why === 'last'
    ? `the last ${count} values lie ${where}`
    : `${count} of ${of} values lie ${where}`
}
