import { countPeriods } from '../calendar/labels'
import type { StepAt } from '../examine'
import type { Finding } from '../finding'
import type { Stretch } from '../series/stretch'
import { breakChange } from '../trend/formChange'
import { TREND_FORMS } from '../trend/forms'
import { figure, inUnit, isPerCent, percent } from '../words/figure'
import type { TrendOptions } from '../trend/ways'
import type { TrendUse } from './levelFindings'

/** Years that must be left after a step for the method to go on with them alone. */
const YEARS_TO_GO_ON = 3

/** What a step is told in the light of. */
export interface StepContext {
  readonly unit: string
  readonly trend: TrendOptions
  readonly uses: TrendUse
}

/** A step of the level, and whether the method knows of it already. */
export function stepFindings(
  stretch: Stretch,
  step: StepAt,
  { unit, trend, uses }: StepContext,
): Finding[] {
  const { calendar, values, firstT, periodOf } = stretch
  const entry = step.t - firstT
  const { code, label } = periodOf(entry)
  const about = { stage: 'look', period: code, figure: step.size } as const
  const said = `The level changes at ${label}: it goes ${stepWords(step, unit)}`
  const near = Math.max(1, Math.floor(calendar.seasons / 2))
  const known = trend.breaks?.find(({ period, level }) => {
    const at = values.findIndex((_, i) => periodOf(i).code === period)
    return level && at >= 0 && Math.abs(at - entry) <= near
  })
  if (known || TREND_FORMS[trend.form].follows || uses === 'nothing') {
    const follows = known ? 'the trend breaks there' : 'the forecast goes on from the latest level'
    return [
      { ...about, code: 'level-step-followed', severity: 'note', text: `${said}; ${follows}.` },
    ]
  }
  const isEnough = values.length - entry >= YEARS_TO_GO_ON * calendar.seasons
  return [
    {
      ...about,
      code: 'level-step',
      severity: 'caution',
      text: `${said} and stays. A line through all ${countPeriods(values.length, calendar)} takes the step for a trend.`,
      actions: [
        { label: 'Break the trend there', change: breakChange([{ period: code, level: true }]) },
        ...(isEnough
          ? [{ label: `Analyse from ${label} on`, change: { span: { from: code } } }]
          : []),
      ],
    },
  ]
}

/** `25% up`; of figures that are per cent themselves `3.1 points down`. */
function stepWords({ size, amount, model }: StepAt, unit: string): string {
  const side = size > 0 ? 'up' : 'down'
  if (isPerCent(unit)) return `${figure(Math.abs(amount))} points ${side}`
  return `${model === 'multiplicative' ? percent(size) : inUnit(Math.abs(size), unit)} ${side}`
}
