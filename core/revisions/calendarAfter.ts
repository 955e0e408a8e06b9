import { basisAfter, takeApart } from '../calculate'
import { trainingDocument } from '../check/trainingDocument'
import type { MethodDocument } from '../method'
import { testedEffects, type EffectTested } from '../prepare/calendar/left'
import { orNull } from '../refusal'
import type { Series } from '../series/series'

/** What of the calendar is still in the values once a method has made them ready. */
export interface CalendarAfter {
  readonly whole: readonly EffectTested[]
  /** The same of the last years by themselves; none where there are no more than that. */
  readonly lately: readonly EffectTested[]
}

/** Fewer years cannot tell the days of the week from chance. */
export const LATELY_YEARS = 5

/**
 * Tests every effect of the calendar in the values as the method's preparations leave them, over all periods and over the last years.
 *
 * @throws Refusal as the method itself does
 */
export function calendarAfter(series: Series, document: MethodDocument): CalendarAfter {
  const apart = takeApart(series, document)
  const { firstT, lastT } = apart
  const from = lastT - LATELY_YEARS * series.calendar.seasons + 1
  const short =
    from <= firstT
      ? null
      : orNull(() => takeApart(series, trainingDocument(document, series, from, lastT, 1)))
  return {
    whole: testedEffects(basisAfter(apart)),
    lately: short ? testedEffects(basisAfter(short)) : [],
  }
}
