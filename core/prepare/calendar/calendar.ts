import { MODEL } from '../../model'
import { Refusal } from '../../refusal'
import type { DesignFit } from '../../regression/fitDesign'
import { mostBends } from '../beside'
import type { Preparation, PreparationBasis } from '../preparation'
import { calendarColumns, componentArithmetic, errorArithmetic } from './columns'
import { civilAxis, groupOf, requireDays, type EffectFacts, type EffectGroup } from './effects'
import {
  estimateCalendar,
  onlyWhatHelps,
  type CalendarRegression,
  type EstimatedCalendar,
} from './estimate'
import {
  calendarDocument,
  dividesByLength,
  effectsAsked,
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
 * They are estimated beside dummies of the seasons and the trend of the method, a straight line where that follows the values
 * and has no columns; periods that are left out of the season are left out of this too.
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
    return regressions * 2 * periods * (seasons + 6 + asked.length + mostBends(periods)) ** 2
  },
  leave: (values, taken, firstT) =>
    values.map((value, i) =>
      value === null ? null : MODEL[taken.model].takeOut(value, componentAt(taken, firstT + i)),
    ),
  back: {
    value: (value, t, taken) => MODEL[taken.model].putBack(value, componentAt(taken, t)),
    arithmetic: componentArithmetic,
    error: (t, taken, whole) =>
      errorAt(taken, t) * (taken.model === 'multiplicative' ? Math.abs(whole) : 1),
    errorArithmetic,
    columns: calendarColumns,
  },
  words: calendarPieces,
}

function estimated(
  { series, stretch, model, endT, beside, leftOut }: PreparationBasis,
  choice: CalendarDocument,
): CalendarTaken {
  const { firstT, values } = stretch
  requireDays(series.calendar, 'calendar')
  const facts: EffectFacts = {
    ...{ calendar: series.calendar, start: series.start, firstT },
    ...{ lastT: firstT + values.length - 1, endT },
  }
  const regression: CalendarRegression = {
    values: values.map((value, i) => (leftOut.has(firstT + i) ? null : value)),
    ...{
      firstT,
      axis: civilAxis(facts.calendar.seasons, facts.start),
      model,
      beside,
      divides: dividesByLength(choice),
    },
    nameOf: (t) => stretch.periodOf(t - firstT).label,
  }
  const entered = effectsAsked(choice).flatMap((one) => enteredOf(one, facts))
  const all = withoutWhatCannotBe(regression, entered)
  const open = new Set(all.entered.flatMap(({ isOpen, group }) => (isOpen ? [group.name] : [])))
  const { fit, groups: kept } = onlyWhatHelps(regression, all.estimated, open, 'calendar')
  const at = fit.p - kept.reduce((sum, { columns }) => sum + columns.length, 0)
  return {
    effects: all.entered.filter(({ group }) => kept.includes(group)).map(({ effect }) => effect),
    ...{ facts, model, divides: regression.divides, at },
    coefficients: fit.coefficients.slice(at),
    covariance: covarianceFrom(fit, at),
    leftOut: [...leftOut],
    groups: all.estimated.judged.map(({ group, ...judged }) => ({
      ...{ name: group.name, says: group.says, isKept: kept.includes(group) },
      key: all.entered.find((one) => one.group === group)!.key,
      ...judged,
    })),
    aicc: {
      withAll: all.estimated.figures.aicc,
      withoutAny: all.estimated.aiccWithoutAny,
    },
  }
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
  regression: CalendarRegression,
  entered: readonly Entered[],
): { readonly entered: readonly Entered[]; readonly estimated: EstimatedCalendar } {
  const estimate = (own: readonly Entered[]) =>
    estimateCalendar(
      regression,
      own.map(({ group }) => group),
      'calendar',
    )
  try {
    return { entered, estimated: estimate(entered) }
  } catch (error) {
    const asked = entered.filter(({ isOpen }) => !isOpen)
    if (!(error instanceof Refusal) || asked.length === entered.length) throw error
    return { entered: asked, estimated: estimate(asked) }
  }
}

/** Covariance of the coefficients from a place on: s² times what the fit says of sums of two. */
function covarianceFrom(fit: DesignFit, at: number): number[][] {
  const s2 = fit.sse / (fit.n - fit.p)
  const count = fit.p - at
  const varianceOf = (...places: number[]) => {
    const weights = new Array<number>(fit.p).fill(0)
    for (const place of places) weights[at + place]! += 1
    return fit.varianceOf(weights)
  }
  const own = Array.from({ length: count }, (_, i) => varianceOf(i))
  return own.map((variance, i) =>
    own.map((other, j) =>
      i === j ? s2 * variance : (s2 * (varianceOf(i, j) - variance - other)) / 2,
    ),
  )
}
