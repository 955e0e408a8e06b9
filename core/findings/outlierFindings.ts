import type { MissingRule } from '../prepare/fill/fillMissing'
import type { Examined, OutlierAt } from '../examine'
import type { Action, Finding } from '../finding'
import { eventAt, eventChange } from '../forecast/regression/eventChange'
import type { ForecastOptions } from '../forecast/ways'
import { MODEL, type Model } from '../model'
import type { Stretch } from '../series/stretch'
import { figure, inUnit, percent } from '../words/figure'
import { mayFill } from './missingFindings'
import { stepFindings, type StepContext } from './stepFindings'

/** More outliers than this are counted, not named one by one. */
const MOST_NAMED = 8

/** What outliers and steps are told in the light of. */
export interface OutlierContext extends StepContext {
  readonly model: Model
  readonly missing: MissingRule
  /** Averages that a gap takes with it; 0 for a way without any. */
  readonly averagesLost: number
  readonly hasSeason: boolean
  /** Its events explain some outliers. */
  readonly forecast: ForecastOptions
}

/**
 * Values that trend and season do not explain, each by its period and size, and a step of the level. They are
 * said before anything else, since they sway what is judged after them.
 *
 * @param told codes of periods of which something is said already
 */
export function outlierFindings(
  stretch: Stretch,
  { outliers, step }: Pick<Examined, 'outliers' | 'step'>,
  told: ReadonlySet<string | null>,
  context: OutlierContext,
): Finding[] {
  const codeOf = ({ t }: OutlierAt) => stretch.periodOf(t - stretch.firstT).code
  const untold = outliers.filter((one) => !told.has(codeOf(one)))
  const furthest = untold.sort((a, b) => Math.abs(b.size) - Math.abs(a.size))
  const named = furthest.slice(0, MOST_NAMED)
  const findings = named.map((one) => outlierFinding(stretch, one, context))
  const next = furthest[named.length]
  if (next) {
    const { code, label } = stretch.periodOf(next.t - stretch.firstT)
    findings.push({
      code: 'more-outliers',
      severity: 'caution',
      stage: 'look',
      text: `${furthest.length - named.length} more values stand as far off, the first in ${label}.`,
      period: code,
      figure: furthest.length,
    })
  }
  return step ? [...findings, ...stepFindings(stretch, step, context)] : findings
}

function outlierFinding(
  stretch: Stretch,
  outlier: OutlierAt,
  { model, unit, forecast, ...context }: OutlierContext,
): Finding {
  const { t, size, expected } = outlier
  const { code, label } = stretch.periodOf(t - stretch.firstT)
  const value = stretch.values[t - stretch.firstT]!
  const share = model === 'multiplicative' ? percent(size) : inUnit(Math.abs(size), unit)
  const words = `${share} ${size > 0 ? 'over' : 'under'} what trend and season say`
  const about = { stage: 'look', period: code, figure: size } as const
  const said = `${label}, ${inUnit(value, unit)}: ${words} (${inUnit(expected, unit)})`
  const event = eventAt(forecast, code)
  if (event) {
    const text = `${said}; the event ${event.name} takes it out of what is estimated.`
    return { ...about, code: 'outlier-event', severity: 'note', text }
  }
  return {
    ...about,
    code: 'outlier',
    severity: 'caution',
    text: `${said}.`,
    actions: [
      replaceIt(code, words, outlier, model),
      ...leaveItOut(stretch, code, words, t, context),
      // An event belongs to a regression; making one of another forecast would change more than this value.
      ...(context.uses === 'fits'
        ? [
            {
              label: 'Make it an event',
              change: eventChange(forecast, { name: label, from: code }),
            },
          ]
        : []),
    ],
  }
}

/** By what season and level give, with both in the reason that is kept. */
function replaceIt(
  code: string,
  words: string,
  { expected, level, season }: OutlierAt,
  model: Model,
): Action {
  const made = `level ${figure(level)} ${MODEL[model].restore} season ${figure(season)}`
  return {
    label: `Replace it by ${figure(expected)}`,
    adjust: [{ period: code, value: expected, reason: `${words}, ${made}` }],
  }
}

/** Leaving a value out leaves a gap, which costs averages unless it is filled. */
function leaveItOut(
  stretch: Stretch,
  code: string,
  reason: string,
  t: number,
  {
    missing,
    averagesLost,
    hasSeason,
  }: Pick<OutlierContext, 'missing' | 'averagesLost' | 'hasSeason'>,
): Action[] {
  const adjust = [{ period: code, value: null, reason }]
  const costs = missing === 'leave' && averagesLost > 0
  const leave: Action = {
    label: costs ? `Leave it out, and ${countOf(averagesLost)} with it` : 'Leave it out',
    adjust,
  }
  const gaps = stretch.values.map((value, i) => (i === t - stretch.firstT ? null : value))
  if (missing !== 'leave' || !mayFill(stretch, gaps)) return [leave]
  const change = { missing: hasSeason ? 'seasonal' : 'interpolate' }
  return [leave, { label: 'Leave it out and fill it', adjust, change }]
}

function countOf(averages: number): string {
  return `${averages} ${averages === 1 ? 'average' : 'averages'}`
}
