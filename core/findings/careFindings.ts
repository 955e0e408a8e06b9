import { countPeriods, periodLabel } from '../calendar/labels'
import { formatPeriod, parsePeriod } from '../calendar/period'
import type { Calendar } from '../calendar/calendar'
import type { Adjustment } from '../series/series'
import type { FilledValue, MissingRule } from '../care/fillMissing'
import { suspiciousValues, type SuspiciousValue } from '../care/suspicious'
import type { Stretch } from '../series/stretch'
import { figure } from '../words/figure'
import type { Finding } from '../finding'

/**
 * What was done to the values before the calculation, and which of them look mistyped.
 *
 * @param stretch the values as they are used
 * @param unit of the series
 */
export function careFindings(
  stretch: Stretch,
  adjustments: readonly Adjustment[],
  filled: readonly FilledValue[],
  missing: MissingRule,
  unit: string,
): Finding[] {
  return [
    ...suspiciousValues(stretch.values, stretch.calendar.seasons)
      // A zero that stands in for a gap is the analyst's own choice.
      .filter(({ at }) => !filled.some(({ t }) => t === stretch.firstT + at))
      .map((found) => looksMistyped(found, stretch, unit)),
    ...adjustments.map((adjustment) => adjusted(adjustment, stretch.calendar, unit)),
    ...(filled.length > 0 ? [filledIn(filled, stretch, missing)] : []),
  ]
}

function looksMistyped(
  { at, value, usual, suspicion, times }: SuspiciousValue,
  stretch: Stretch,
  unit: string,
): Finding {
  const { code, label } = stretch.periodOf(at)
  const WORDS = {
    'times-too-large': `about ${times} times what this season usually is`,
    'times-too-small': `about a ${times}th of what this season usually is`,
    'sign-flipped': 'negative, where this season is usually positive and of that size',
    'zero-among-large': 'zero, where this season usually is not',
  }
  return {
    code: suspicion,
    severity: 'caution',
    topic: 'data',
    text: `${label}, ${figure(value)} ${unit}, is ${WORDS[suspicion]} (${figure(usual)} ${unit}). Is it right? Its working replaces it or leaves it out.`,
    period: code,
    figure: value,
  }
}

function adjusted(
  { period, value, reason }: Adjustment,
  calendar: Calendar,
  unit: string,
): Finding {
  const parsed = parsePeriod(period, calendar)!
  const done = value === null ? 'left out' : `replaced by ${figure(value)} ${unit}`
  return {
    code: value === null ? 'value-left-out' : 'value-replaced',
    severity: 'note',
    topic: 'data',
    text: `${periodLabel(parsed, calendar)} is ${done}: ${reason}.`,
    period: formatPeriod(parsed, calendar),
    figure: value,
  }
}

function filledIn(filled: readonly FilledValue[], stretch: Stretch, missing: MissingRule): Finding {
  const first = stretch.periodOf(filled[0]!.t - stretch.firstT)
  const HOW = {
    leave: '',
    interpolate: 'by straight interpolation',
    seasonal: 'by interpolating the deseasonalized series and putting the season back',
    zero: 'with zero',
  }
  return {
    code: 'filled',
    severity: 'note',
    topic: 'data',
    text: `${countPeriods(filled.length, stretch.calendar)} without a value filled ${HOW[missing]}, the first ${first.label}.`,
    period: first.code,
    figure: filled.length,
  }
}
