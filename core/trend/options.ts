import { Refusal } from '../refusal'
import { requireWhole } from '../requireWhole'
import { timeInDays } from '../regression/timeVariable'
import type { TrainingSpan, TrendFacts } from './commonOptions'
import type { TrendDocument } from './document'
import { TREND_FORMS, type TrendFormName } from './forms'
import { isFittedForm, STRAIGHT } from './leastSquares/forms'
import type { FittedTrendOptions } from './leastSquares/options'
import { trendWayOf, type TrendOptions } from './ways'

/** The form of a document, the default one where it names none. */
export function formOf({ form = STRAIGHT }: TrendDocument = {}): TrendFormName {
  return form
}

/**
 * Fills in the defaults of a trend: a straight line in the time code through all periods.
 *
 * @throws Refusal for a choice that another form has, and for what the way of the form refuses
 */
export function completeTrend(document: TrendDocument, facts: TrendFacts): TrendOptions {
  const { time, last } = document
  const form = formOf(document)
  if (last !== undefined) requireWhole(last, 1, Infinity, 'trend.last')
  if (time === 'days') timeInDays(facts.calendar, facts.start)
  refuseOthers(form, document)
  return trendWayOf(form).complete(form, document, facts)
}

/** @throws Refusal for a choice that this form would pass over without a word */
function refuseOthers(own: TrendFormName, document: TrendDocument): void {
  for (const [name, { choices }] of Object.entries(TREND_FORMS)) {
    if (name === own) continue
    for (const { key, isPlural } of choices) {
      const asked: unknown = document[key as keyof TrendDocument]
      if (asked === undefined || (Array.isArray(asked) && asked.length === 0)) continue
      const [belong, them] = isPlural ? ['belong', 'them'] : ['belongs', 'it']
      throw new Refusal(
        `${key} ${belong} to the trend form "${name}"; this trend is ${TREND_FORMS[own].says}. Take ${them} out.`,
        `trend.${key}`,
      )
    }
  }
}

/** @throws Refusal for a trend without columns of its own, where a regression needs them */
export function requireFitted(trend: TrendOptions): FittedTrendOptions {
  if (isFitted(trend)) return trend
  throw new Refusal(
    `A regression has columns for its trend, and ${TREND_FORMS[trend.form].says} has none. Take a straight line, or forecast by decomposition.`,
    'trend.form',
  )
}

function isFitted(trend: TrendOptions): trend is FittedTrendOptions {
  return isFittedForm(trend.form)
}

/** The same trend of a shorter span: what lies outside it is left behind. */
export function trendWithin(document: TrendDocument, span: TrainingSpan): TrendDocument {
  return trendWayOf(formOf(document)).within(document, span)
}
