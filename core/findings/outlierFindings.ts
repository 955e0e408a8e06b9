import { countPeriods } from '../calendar/labels'
import type { Examined, StepAt } from '../examine'
import type { Finding } from '../finding'
import { eventAt, eventChange } from '../forecast/regression/eventChange'
import type { ForecastOptions } from '../forecast/ways'
import type { Model } from '../model'
import type { Stretch } from '../series/stretch'
import { breakChange } from '../trend/formChange'
import { figure, inUnit, percent } from '../words/figure'

/** More outliers than this are counted, not named one by one. */
const MOST_NAMED = 8
/** Years that must be left after a step for the method to go on with them alone. */
const YEARS_TO_GO_ON = 3

/**
 * Values that trend and season do not explain, each by its period and size, and a step of the level. They are
 * said before anything else, since they sway what is judged after them.
 *
 * @param told codes of periods of which something is said already
 * @param forecast whose events explain some of them
 */
export function outlierFindings(
  stretch: Stretch,
  { outliers, step }: Pick<Examined, 'outliers' | 'step'>,
  told: ReadonlySet<string | null>,
  model: Model,
  unit: string,
  forecast: ForecastOptions,
): Finding[] {
  const untold = outliers.filter(({ t }) => !told.has(stretch.periodOf(t - stretch.firstT).code))
  const furthest = untold.sort((a, b) => Math.abs(b.size) - Math.abs(a.size))
  const named = furthest.slice(0, MOST_NAMED)
  const findings = named.map(({ t, size, expected }): Finding => {
    const { code, label } = stretch.periodOf(t - stretch.firstT)
    const value = stretch.values[t - stretch.firstT]!
    const share = model === 'multiplicative' ? percent(size) : inUnit(Math.abs(size), unit)
    const words = `${share} ${size > 0 ? 'over' : 'under'} what trend and season say`
    return {
      code: 'outlier',
      severity: 'caution',
      stage: 'look',
      text: `${label}, ${inUnit(value, unit)}: ${words} (${inUnit(expected, unit)}).`,
      period: code,
      figure: size,
      ...(eventAt(forecast, code) ? { severity: 'note' } : {}),
      actions: [
        { label: 'Leave it out', adjust: [{ period: code, value: null, reason: words }] },
        {
          label: `Replace it by ${figure(expected)}`,
          adjust: [{ period: code, value: expected, reason: words }],
        },
        ...(eventAt(forecast, code)
          ? []
          : [
              {
                label: 'Make it an event',
                change: eventChange(forecast, { name: label, from: code }),
              },
            ]),
      ],
    }
  })
  if (furthest.length > named.length) {
    findings.push({
      code: 'more-outliers',
      severity: 'caution',
      stage: 'look',
      text: `${furthest.length - named.length} more values stand as far off, the first in ${stretch.periodOf(furthest[named.length]!.t - stretch.firstT).label}.`,
      period: stretch.periodOf(furthest[named.length]!.t - stretch.firstT).code,
      figure: furthest.length,
    })
  }
  return step ? [...findings, stepFinding(stretch, step, unit)] : findings
}

function stepFinding(stretch: Stretch, { t, size, model }: StepAt, unit: string): Finding {
  const { calendar, values } = stretch
  const entry = t - stretch.firstT
  const { code, label } = stretch.periodOf(entry)
  const words =
    model === 'multiplicative'
      ? `${percent(size)} ${size > 0 ? 'up' : 'down'}`
      : `${inUnit(Math.abs(size), unit)} ${size > 0 ? 'up' : 'down'}`
  const isEnough = values.length - entry >= YEARS_TO_GO_ON * calendar.seasons
  return {
    code: 'level-step',
    severity: 'caution',
    stage: 'look',
    text: `The level changes at ${label}: it goes ${words} and stays. A line through all ${countPeriods(values.length, calendar)} takes the step for a trend.`,
    period: code,
    figure: size,
    actions: [
      { label: 'Break the trend there', change: breakChange([{ period: code, level: true }]) },
      ...(isEnough
        ? [{ label: `Analyse from ${label} on`, change: { span: { from: code } } }]
        : []),
    ],
  }
}
