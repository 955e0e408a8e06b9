import { countPeriods, periodLabel } from '../calendar/labels'
import { formatPeriod, parsePeriod } from '../calendar/codes'
import type { Calendar } from '../calendar/calendar'
import type { Adjustment } from '../series/series'
import type { FilledValue, MissingRule } from '../prepare/fill/fillMissing'
import { suspiciousValues, type SuspiciousValue } from '../prepare/adjust/suspicious'
import { eventAt, withoutEvent } from '../forecast/regression/eventChange'
import type { ForecastOptions } from '../forecast/ways'
import type { Stretch } from '../series/stretch'
import { figure, inUnit } from '../words/figure'
import type { Action, Finding } from '../finding'

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
  const replaceBy = (right: number): Action => ({
    label: `Replace it by ${figure(right)}`,
    adjust: [{ period: code, value: right, reason: 'looks mistyped' }],
  })
  const WORDS = {
    'times-too-large': `about ${times} times what this season usually is`,
    'times-too-small': `about a ${times}th of what this season usually is`,
    'sign-flipped': 'negative, where this season is usually positive and of that size',
    'zero-among-large': 'zero, where this season usually is not',
  }
  return {
    code: suspicion,
    severity: 'caution',
    stage: 'look',
    text: `${label}, ${inUnit(value, unit)}, is ${WORDS[suspicion]} (${inUnit(usual, unit)}). Is it right?`,
    period: code,
    figure: value,
    actions: [
      ...(times === null
        ? []
        : [replaceBy(suspicion === 'times-too-large' ? value / times : value * times)]),
      ...(suspicion === 'sign-flipped' ? [replaceBy(-value)] : []),
      { label: 'Leave it out', adjust: [{ period: code, value: null, reason: 'looks mistyped' }] },
    ],
  }
}

function adjusted(
  { period, value, reason }: Adjustment,
  calendar: Calendar,
  unit: string,
): Finding {
  const parsed = parsePeriod(period, calendar)!
  const done = value === null ? 'left out' : `replaced by ${inUnit(value, unit)}`
  return {
    code: value === null ? 'value-left-out' : 'value-replaced',
    severity: 'note',
    stage: 'look',
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
    stage: 'look',
    text: `${countPeriods(filled.length, stretch.calendar)} without a value filled ${HOW[missing]}, the first ${first.label}.`,
    period: first.code,
    figure: filled.length,
  }
}

/** Codes of the periods that the analyst left out. */
export function leftOutByHand(adjustments: readonly Adjustment[]): ReadonlySet<string> {
  return new Set(adjustments.filter(({ value }) => value === null).map(({ period }) => period))
}

/** Values that are replaced and explained by an event as well: the event then takes out what is no longer there. */
export function bothFindings(
  { calendar }: Stretch,
  adjustments: readonly Adjustment[],
  forecast: ForecastOptions,
): Finding[] {
  return adjustments.flatMap(({ period, value }): Finding[] => {
    const event = value === null ? undefined : eventAt(forecast, period)
    if (!event) return []
    const label = periodLabel(parsePeriod(period, calendar)!, calendar)
    return [
      {
        code: 'replaced-and-event',
        severity: 'caution',
        stage: 'look',
        text: `${label} is replaced, and the event ${event.name} takes it out as well: what the event is said to have done is then no more than chance. One of them is enough.`,
        period,
        figure: value,
        actions: [
          { label: `Take the event ${event.name} out`, change: withoutEvent(forecast, event) },
        ],
      },
    ]
  })
}
