import { axisOf } from '../../calendar/axis'
import { stepsOfModel } from '../../arima/model'
import { asDocument } from '../../arima/orderOptions'
import { MODEL } from '../../model'
import { Refusal } from '../../refusal'
import { isOfMonths } from '../../calendar/civil'
import { reachOfLikeness } from '../../regression/alikeErrors'
import type { SlowChoices } from '../../trend/slowChoices'
import { mostBeside } from '../beside'
import type { Preparation, PreparationBasis } from '../preparation'
import { estimatorByArima, ordersAsked, type EstimatedByArima } from './arimaErrors'
import { calendarColumns, componentArithmetic, errorArithmetic } from './columns'
import { groupOf, requireDays, requireMonths, type EffectFacts, type EffectGroup } from './effects'
import {
  estimateCalendar,
  onlyWhatHelps,
  type CalendarRegression,
  type EstimatedCalendar,
  type EstimateGroups,
} from './estimate'
import {
  calendarDocument,
  dividesByLength,
  effectsAsked,
  hasArimaErrors,
  type AskedEffect,
  type CalendarDocument,
} from './options'
import { componentAt, errorAt, type CalendarTaken } from './taken'
import { calendarPieces, isAsked } from './words'

/** A share of days that is further from the usual than this is no rounding. */
const STILL = 1e-9

/** An effect that is asked for, with its columns. */
interface Entered extends AskedEffect {
  readonly group: EffectGroup
}

/**
 * Effects of the calendar, taken out of the values and put back into the forecast: trading days, the length of a period,
 * Easter, holidays of one's own.
 *
 * They are estimated beside dummies of the seasons and the trend of the method, a line that bends where that follows the values
 * and has no columns; or with the errors of an ARIMA model. Periods that are left out of the season are left out of this too.
 */
export const calendar: Preparation<CalendarDocument | null, CalendarTaken> = {
  key: 'calendar',
  document: calendarDocument,
  usual: null,
  estimate: (basis, choice) => (choice && isAsked(choice) ? estimated(basis, choice) : null),
  // A regression, and one more for each effect that does not help.
  steps(choice, { periods, seasons }) {
    if (!choice || !isAsked(choice)) return 0
    const asked = effectsAsked(choice)
    const regressions = 1 + asked.filter(({ isOpen }) => isOpen).length
    const columns = mostBeside(periods, seasons) + 6 + asked.length
    const once = regressions * 2 * periods * columns ** 2
    if (!hasArimaErrors(choice)) return once
    const extent = { periods, seasons }
    // Each refit begins near the first, and its columns are filtered along.
    const given = { choose: 'given', orders: [1, 1, 1], seasonalOrders: [0, 1, 1] } as const
    return once + stepsOfModel(ordersAsked(choice, seasons), extent) + stepsOfModel(given, extent)
  },
  slowChoices: (choice) => (choice && hasArimaErrors(choice) ? ARIMA_ERRORS : null),
  leave: (values, taken, firstT) =>
    values.map((value, i) =>
      value === null ? null : MODEL[taken.model].takeOut(value, componentAt(taken, firstT + i)),
    ),
  back: {
    value: (value, t, taken) => MODEL[taken.model].putBack(value, componentAt(taken, t)),
    arithmetic: componentArithmetic,
    cost: ({ coefficients }) => coefficients.length,
    error: (t, taken, whole) =>
      errorAt(taken, t) * (taken.model === 'multiplicative' ? Math.abs(whole) : 1),
    errorArithmetic,
    columns: calendarColumns,
  },
  words: calendarPieces,
}

const ARIMA_ERRORS: SlowChoices<CalendarDocument, CalendarTaken, CalendarDocument> = {
  areOpen: ({ choose, orders }) => choose !== 'given' && orders === undefined,
  made: ({ arima }) => ({
    ...asDocument(arima!.model),
    near: arima!.model.coefficients,
  }),
}

function estimated(
  { series, stretch, model, endT, beside, leftOut, hear }: PreparationBasis,
  choice: CalendarDocument,
): CalendarTaken {
  const { firstT, values } = stretch
  requireDays(series.calendar, 'calendar')
  if (dividesByLength(choice)) requireMonths(series.calendar)
  const facts: EffectFacts = {
    ...{ calendar: series.calendar, start: series.start, firstT },
    ...{ lastT: firstT + values.length - 1, endT },
  }
  const regression: CalendarRegression = {
    values: values.map((value, i) => (leftOut.has(firstT + i) ? null : value)),
    ...{
      firstT,
      axis: axisOf(facts),
      model,
      beside: beside(),
      divides: dividesByLength(choice),
    },
    // Dates of days and weeks come in rows, whose errors are taken together.
    reach: isOfMonths(series.calendar) ? null : reachOfLikeness(values.length),
    nameOf: (t) => stretch.periodOf(t - firstT).label,
  }
  const entered = effectsAsked(choice).flatMap((one) => enteredOf(one, facts))
  const independent: EstimateGroups = (groups) => estimateCalendar(regression, groups, 'calendar')
  const all = withoutWhatCannotBe(independent, entered)
  const open = new Set(all.entered.flatMap(({ isOpen, group }) => (isOpen ? [group.name] : [])))
  const byArima = hasArimaErrors(choice)
    ? estimatorByArima(
        { series, regression, options: ordersAsked(choice, series.calendar.seasons), hear },
        all.estimated,
      )
    : null
  const whole = byArima ? byArima(all.estimated.groups) : all.estimated
  const { kept, arima } = keptOf(whole, open, independent, byArima)
  return {
    effects: all.entered
      .filter(({ group }) => kept.groups.includes(group))
      .map(({ effect }) => effect),
    ...{ facts, model, divides: regression.divides, at: kept.at },
    alike: kept.alike,
    ...{ coefficients: kept.coefficients, covariance: kept.covariance },
    leftOut: [...leftOut],
    groups: whole.judged.map(({ group, ...judged }) => ({
      ...{ name: group.name, says: group.says, isKept: kept.groups.includes(group) },
      key: all.entered.find((one) => one.group === group)!.key,
      ...judged,
    })),
    arima,
    aicc: whole.aicc,
    leftover:
      whole.leftover && kept.leftover ? { withAll: whole.leftover, withKept: kept.leftover } : null,
  }
}

/** What is taken out, of what was asked for; with ARIMA errors the same with independent ones beside it. */
function keptOf(
  whole: EstimatedCalendar | EstimatedByArima,
  open: ReadonlySet<string>,
  independent: EstimateGroups,
  byArima: EstimateGroups<EstimatedByArima> | null,
): { readonly kept: EstimatedCalendar; readonly arima: CalendarTaken['arima'] } {
  if (!byArima) return { kept: onlyWhatHelps(independent, whole, open), arima: null }
  const kept = onlyWhatHelps(byArima, whole as EstimatedByArima, open)
  const { coefficients, covariance, alike } = independent(kept.groups)
  const beside = { coefficients, covariance: alike?.independent ?? covariance }
  return { kept, arima: { model: kept.model, independent: beside } }
}

/** An effect with its columns; none for one that is left to the criterion and that the series is too short for. */
function enteredOf(one: AskedEffect, facts: EffectFacts): Entered[] {
  try {
    const group = groupOf(one.effect, facts, one.where)
    requireMoving(group, facts, one.where)
    return [{ ...one, group }]
  } catch (error) {
    if (one.isOpen && error instanceof Refusal) return []
    throw error
  }
}

/** @throws Refusal for dates that fall into the same months of every year: the season has them already */
function requireMoving({ says, columns }: EffectGroup, facts: EffectFacts, where: string): void {
  const moves = columns.some(({ at }) => {
    for (let t = facts.firstT; t <= facts.lastT; t++) if (Math.abs(at(t)) > STILL) return true
    return false
  })
  if (moves) return
  throw new Refusal(
    `The days of ${says} fall into the same periods of every year of the span, so the season has them already. Leave it in; a day that moves, or only some years have, can be taken out.`,
    where,
    { effect: says, column: says },
  )
}

/** All that is asked for, estimated; where it cannot be, without what is left to the criterion. */
function withoutWhatCannotBe(
  estimate: EstimateGroups,
  entered: readonly Entered[],
): { readonly entered: readonly Entered[]; readonly estimated: EstimatedCalendar } {
  const of = (own: readonly Entered[]) => estimate(own.map(({ group }) => group))
  try {
    return { entered, estimated: of(entered) }
  } catch (error) {
    const asked = entered.filter(({ isOpen }) => !isOpen)
    if (!(error instanceof Refusal) || asked.length === entered.length) throw error
    return { entered: asked, estimated: of(asked) }
  }
}
